import type { DiaryLine } from "@/core/log/diary";
import { SYMPTOMS } from "@/core/repair/symptom";
import { symptomInWords } from "./repair";
import { durationInWords } from "./work";

const mm2InWords = (mm2: number): string =>
  mm2 < 100 ? `${Math.round(mm2)} mm²` : `${(mm2 / 100).toFixed(1)} cm²`;

/** What a line of the diary says beside its area and its inks. */
export function lineInWords({ kind, tones, words, from, until }: DiaryLine): string {
  const seconds = (until - from) / 1000;
  const ground = tones.reduce((most, t) => Math.max(most, t.mm2), 0);
  switch (kind) {
    case "laid":
      return ["laid", ground > 0 && mm2InWords(ground), seconds >= 60 && `in ${durationInWords(seconds)}`]
        .filter(Boolean)
        .join(", ");
    case "repaired": {
      const symptom = SYMPTOMS.find((s) => s === words);
      return symptom ? `mended (${symptomInWords[symptom].toLowerCase()})` : "ink that was not planned";
    }
    case "exchanged":
      return `taken instead of what was planned: ${words}`;
    case "noted":
      return `“${words}”`;
    case "photographed":
      return words ? `photo: “${words}”` : "photo";
    case "entered":
      return words ? `written down: “${words}”` : "written down";
    case "finished":
      return "finished";
  }
}
