import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { isSurround, SURROUND_COOKIE } from "@/ui/surround";
import "./globals.css";

export const metadata: Metadata = {
  title: { default: "Blendt", template: "%s · Blendt" },
  description: "Plans alcohol marker colour from measured swatches.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const wanted = (await cookies()).get(SURROUND_COOKIE)?.value ?? "";
  return (
    <html lang="en" data-surround={isSurround(wanted) ? wanted : "bright"}>
      <body>{children}</body>
    </html>
  );
}
