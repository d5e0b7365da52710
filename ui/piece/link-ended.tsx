/** What somebody reads whose link has ended. */
export function LinkEnded() {
  return (
    <main id="main" className="mx-auto max-w-[60ch] p-8">
      <h1 className="text-[24px]">This link has ended</h1>
      <p className="text-[17px]">
        Whoever made it has ended it or removed the piece, or the address is not complete. Ask them for a new
        one.
      </p>
    </main>
  );
}
