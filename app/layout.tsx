import type { Metadata, Viewport } from "next";
import localFont from "next/font/local";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { isSurround, SURROUND_COOKIE } from "@/ui/surround";
import "./globals.css";

/** The letters of most of what is written, sent before they are asked for; those of other alphabets come when they are met. */
const sans = localFont({
  src: "../node_modules/@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2",
  weight: "200 900",
  variable: "--sans-latin",
  adjustFontFallback: false,
  declarations: [
    {
      prop: "unicode-range",
      value:
        "U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD",
    },
  ],
});

export const metadata: Metadata = {
  title: { default: "Blendt", template: "%s · Blendt" },
  description: "Plans alcohol marker colour from measured swatches.",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const wanted = (await cookies()).get(SURROUND_COOKIE)?.value ?? "";
  return (
    <html lang="en" className={sans.variable} data-surround={isSurround(wanted) ? wanted : "bright"}>
      <body>{children}</body>
    </html>
  );
}
