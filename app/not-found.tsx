import { Link } from "@/ui/kit/link";

export default function NotFound() {
  return (
    <main id="main" className="mx-auto max-w-[60ch] p-8">
      <h1 className="text-[24px]">There is nothing here</h1>
      <p className="text-[17px]">The piece or page may have been deleted, or the address is not complete.</p>
      <Link className="button button-main" href="/">
        To the bench
      </Link>
    </main>
  );
}
