import type { Metadata } from "next";
import { headers } from "next/headers";
import { readersRack } from "@/app/readers-rack";
import { loadShared } from "@/app/shared-piece";
import { LinkEnded } from "@/ui/piece/link-ended";
import { SharedView } from "@/ui/piece/shared-view";

interface Props {
  params: Promise<{ code: string }>;
}

/** Where whoever asks has found this server. */
async function originOf(): Promise<URL | undefined> {
  const asked = await headers();
  const proto = asked.get("x-forwarded-proto")?.split(",")[0]!.trim() === "https" ? "https" : "http";
  const address = `${proto}://${asked.get("host") ?? ""}`;
  return URL.canParse(address) ? new URL(address) : undefined;
}

/** What is shown where the link is pasted: the name and the card. Search engines are to leave it alone. */
export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { code } = await params;
  const shared = await loadShared(code);
  const robots = { index: false, follow: false };
  if (!shared) return { title: "A shared piece", robots };
  const { name } = shared.piece;
  const origin = await originOf();
  const images = [
    { url: `/api/shared/${code}/card`, width: 1200, height: 630, alt: `${name}, as its link shows it` },
  ];
  return {
    title: `${name}, shown by ${shared.studio.name}`,
    robots,
    ...(origin && { metadataBase: origin }),
    openGraph: { title: name, description: `Shown by ${shared.studio.name}, to colour from`, images },
    twitter: { card: "summary_large_image" },
  };
}

/** One piece, for whoever has its link. */
export default async function SharedPage({ params }: Props) {
  const { code } = await params;
  const shared = await loadShared(code);
  // Said on the page itself, which a page that is not found would only say with scripts.
  if (!shared) return <LinkEnded />;
  const { studio, piece, rack, kept, shows, ramps } = shared;
  const own = shows.includes("supplies") ? await readersRack(studio, rack) : undefined;
  return (
    <>
      <meta name="blendt-share" content={code} />
      <SharedView
        code={code}
        studio={studio.name}
        piece={piece}
        rack={rack}
        kept={kept}
        shows={shows}
        ramps={ramps}
        own={own}
      />
    </>
  );
}
