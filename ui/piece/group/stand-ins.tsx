"use client";
import { differenceWords } from "@/words/closeness";
import type { Rack } from "@/store/rack";
import { Notice } from "@/ui/kit/notice";
import { standInFor } from "./shelf";
import type { ShownGroup } from "./shown-group";

/** For each tone that is not at hand: what is, and comes nearest. */
export function StandIns({ rack, shown }: { readonly rack: Rack; readonly shown: ShownGroup }) {
  return shown.tones.map((t, place) => {
    const marker = rack.markers.find((m) => m.code === t.code);
    const wanted = shown.group?.tones.find((g) => g.code === t.code);
    if (!marker || !wanted || (marker.owned && marker.state !== "dry")) return null;
    const other = standInFor(rack, wanted.lab, shown.tones);
    return (
      <Notice
        key={t.code}
        action={
          other && (
            <button className="button" onClick={() => shown.put(place, { ...other.tone, overruled: true })}>
              Put {other.tone.code} in
            </button>
          )
        }
      >
        <strong className="code">{t.code}</strong> is {marker.owned ? "dry" : "not owned"}
        {other ? (
          <>
            :{" "}
            <span className="code">
              {other.tone.code}
              {other.tone.coats > 1 ? ` ×${other.tone.coats}` : ""}
            </span>{" "}
            stands in for it: {differenceWords(other.deltaE00)} ({other.deltaE00.toFixed(1)} ΔE00).
          </>
        ) : (
          ", and nothing owned can stand in for it."
        )}
      </Notice>
    );
  });
}
