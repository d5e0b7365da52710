import type { MetadataRoute } from "next";

/** What a browser needs to put Blendt beside the programs of a device. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Blendt",
    short_name: "Blendt",
    description:
      "Plans alcohol marker colour from measured swatches, and stands beside the paper while it is laid.",
    start_url: "/",
    display: "standalone",
    background_color: "#e8e8e8",
    theme_color: "#e8e8e8",
    icons: [
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
  };
}
