"use client";
import { labToHex } from "@/core/colour/display";
import type { Layer } from "@/core/media/layer";
import { isTonePass } from "@/core/media/medium";
import { codesOf, orderOf } from "@/core/media/registry";
import { tone as toneMedium } from "@/core/media/tone";
import type { Area } from "@/core/piece/piece";
import type { Rack } from "@/store/rack";
import { useTones } from "@/ui/jobs/use-tones";
import { Strata, type FixedLayer, type ToneBar } from "@/ui/ink/strata";
import { useFinder } from "@/ui/shell";
import { coatsInWords } from "@/words/numbers";
import { passWhere, placeInWords } from "@/words/pass";
import { pencilName } from "@/words/pencil";
import { useRun } from "../piece-context";
import { useShelf } from "./shelf";
import type { ShownGroup } from "./shown-group";

interface Props {
  readonly area: Area;
  readonly rack: Rack;
  readonly shown: ShownGroup;
  readonly onTry: (place: number) => void;
}

const GROUP = toneMedium.order({ medium: "tone", code: "", coats: 1 });

/** What a layer that is no tone says of itself in the strata. */
function says(layer: Layer): { readonly name: string; readonly says: string } {
  switch (layer.medium) {
    case "tone":
      return { name: layer.code, says: coatsInWords(layer.coats) };
    case "shadow":
      return {
        name: layer.code,
        says: `${layer.kind}, ${coatsInWords(layer.coats)}, ${placeInWords[layer.place]}`,
      };
    case "pencil":
      return {
        name: "pencil",
        says: `${codesOf([layer]).map(pencilName).join(", ")}, ${placeInWords[layer.place]}`,
      };
    case "finish":
      return { name: layer.code, says: `finish, ${placeInWords[layer.place]}` };
  }
}

/** What a pencil or a finish is itself, side by side where there are several, as a background. */
function ownColours(rack: Rack, layer: Layer): string {
  const hexes = codesOf([layer]).flatMap((code) => {
    const swatch = rack.others.find((o) => o.code === code)?.swatches[0];
    return swatch ? [swatch.hex ?? labToHex(swatch.lab)] : [];
  });
  const share = 100 / Math.max(1, hexes.length);
  return hexes.length
    ? `linear-gradient(90deg, ${hexes.map((hex, i) => `${hex} ${i * share}% ${(i + 1) * share}%`).join(", ")})`
    : "transparent";
}

/** The strata of an area: the shown group between what lies beneath and over it. */
export function GroupStrata({ area, rack, shown, onTry }: Props) {
  const { group, tones, put } = shown;
  const run = useRun();
  const find = useFinder();
  const shelf = useShelf(rack, area, group);
  const others = area.layers.map((layer, at) => ({ layer, at })).filter((l) => l.layer.medium !== "tone");
  const colourOf = useTones(rack, [
    ...others.flatMap(({ layer }) => (layer.medium === "shadow" ? [layer] : [])),
    ...shown.shade,
  ]);
  const read = tones.filter((t) => !shown.missing.includes(t));
  const bars = read.map((t): ToneBar => {
    const depth = group?.tones.findIndex((g) => g.code === t.code) ?? -1;
    const own = group?.tones[depth];
    const after = depth < 0 ? undefined : group?.places[depth + 1];
    const knowledge = group?.build.find((b) => b.code === t.code)?.knowledge ?? "predicted";
    const pass = shown.course.passes.find((p) => p.code === t.code && isTonePass(p));
    return {
      code: t.code,
      coats: t.coats,
      role: pass?.role ?? "",
      where: pass ? passWhere(pass) : "",
      alone: own?.hex ?? "transparent",
      after: after && { hex: after.hex, lightness: after.lab[0], knowledge },
      measured: own?.measured ?? true,
      overruled: t.overruled ?? false,
      locked: t.locked ?? false,
      warning: warningOf(rack, t.code),
    };
  });
  const fixed = ({ layer, at }: (typeof others)[number]): FixedLayer => ({
    ...says(layer),
    key: String(at),
    alone: (layer.medium === "shadow" && colourOf(layer)?.hex) || ownColours(rack, layer),
    onTakeAway: () => run({ type: "take layer away", id: area.id, at }),
  });
  /** Ink that a proposal brings with it. */
  const brought = (kind: "underlay" | "overlay"): FixedLayer[] =>
    shown.shade
      .filter((l) => l.kind === kind)
      .map((l) => ({
        name: l.code,
        says: `${l.kind}, ${coatsInWords(l.coats)}, ${placeInWords.shadow}`,
        key: `planned ${l.code}`,
        alone: colourOf(l)?.hex ?? "transparent",
      }));
  const exchange = (place: number) =>
    find({
      title: `Exchange ${tones[place]!.code}`,
      markers: rack.markers.filter((m) => m.swatches.length && !tones.some((t) => t.code === m.code)),
      onPick: (m) => put(place, { code: m.code, coats: 1, overruled: true }),
    });
  return (
    <Strata
      layers={bars}
      paper={{ name: rack.paper.name, hex: labToHex(rack.paper.lab), lightness: rack.paper.lab[0] }}
      onMove={shown.move}
      onCoats={(place, coats) => put(place, { ...tones[place]!, coats, overruled: true })}
      onPut={(place, code) => put(place, { code, coats: 1, overruled: true })}
      onLock={shown.lock}
      onExclude={shown.exclude}
      beneath={[
        ...others
          .filter((o) => orderOf(o.layer) < GROUP)
          .reverse()
          .map(fixed),
        ...brought("underlay"),
      ]}
      above={[
        ...brought("overlay"),
        ...others
          .filter((o) => orderOf(o.layer) > GROUP)
          .reverse()
          .map(fixed),
      ]}
      shelf={shelf}
      onExchange={exchange}
      onTry={onTry}
    />
  );
}

function warningOf(rack: Rack, code: string): string {
  const marker = rack.markers.find((m) => m.code === code);
  if (marker?.state === "dry") return "dry: refill first";
  if (marker?.state === "low") return "running low";
  return marker && !marker.owned ? "not owned" : "";
}
