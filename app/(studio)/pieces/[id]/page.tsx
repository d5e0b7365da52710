import { redirect } from "next/navigation";

export default async function PiecePage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/pieces/${(await params).id}/colour`);
}
