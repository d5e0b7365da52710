import { strToU8, zipSync } from "fflate";
import { escaped } from "./tone-map-svg";

/** A layer of a picture, bottom to top in the list: a PNG and where it lies. */
export interface RasterLayer {
  readonly name: string;
  readonly png: Uint8Array;
  readonly x: number;
  readonly y: number;
  readonly visible: boolean;
}

/** Layers that are opened and closed together. */
export interface LayerGroup {
  readonly name: string;
  readonly layers: readonly RasterLayer[];
  readonly visible: boolean;
}

const isGroup = (l: RasterLayer | LayerGroup): l is LayerGroup => "layers" in l;

/**
 * A layered picture as OpenRaster (freedesktop.org, OpenRaster File Layout 0.0.5): a zip whose first entry is its type, stored; the stack as XML,
 * topmost layer first; a merged picture and a thumbnail.
 * @param layers bottom to top
 */
export function openRaster(
  size: { readonly width: number; readonly height: number },
  layers: readonly (RasterLayer | LayerGroup)[],
  merged: Uint8Array,
  thumbnail: Uint8Array,
): Uint8Array {
  const files: Record<string, [Uint8Array, { level: 0 }]> = {};
  // PNG is packed already.
  const put = (name: string, bytes: Uint8Array) => (files[name] = [bytes, { level: 0 }]);
  put("mimetype", strToU8("image/openraster"));
  let n = 0;
  const said = (visible: boolean) => `visibility="${visible ? "visible" : "hidden"}"`;
  const layerXml = ({ name, png, x, y, visible }: RasterLayer): string => {
    const src = `data/layer${String(n++).padStart(3, "0")}.png`;
    put(src, png);
    return `<layer name="${escaped(name)}" src="${src}" x="${x}" y="${y}" opacity="1.0" composite-op="svg:src-over" ${said(visible)}/>`;
  };
  const xml = (list: readonly (RasterLayer | LayerGroup)[]): string =>
    list
      .map((l) =>
        isGroup(l)
          ? `<stack name="${escaped(l.name)}" opacity="1.0" ${said(l.visible)}>\n${xml(l.layers)}\n</stack>`
          : layerXml(l),
      )
      .reverse()
      .join("\n");
  const stack = `<?xml version="1.0" encoding="UTF-8"?>\n<image version="0.0.5" w="${size.width}" h="${size.height}">\n<stack>\n${xml(layers)}\n</stack>\n</image>\n`;
  put("stack.xml", strToU8(stack));
  put("mergedimage.png", merged);
  put("Thumbnails/thumbnail.png", thumbnail);
  return zipSync(files);
}
