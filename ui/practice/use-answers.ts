"use client";
import { useEffect, useMemo, useState } from "react";
import { useStore } from "zustand";
import type { EyeAnswer } from "@/core/practice/schedule";
import { useStudio } from "@/ui/studio/studio-context";
import { createAnswerBox } from "./answer-box";

/** All answers of an eye, in the order in which they were given. @param known what came with the page */
export function useAnswers(known: readonly EyeAnswer[], mayKeep: boolean) {
  const studio = useStudio()?.id ?? "";
  const [answers] = useState(() => createAnswerBox(`blendt-eye-${studio}`, mayKeep));
  useEffect(() => answers.start(), [answers]);
  const { own, trouble } = useStore(answers.box);
  const all = useMemo(
    () => [...new Map([...known, ...own].map((a) => [a.id, a])).values()].sort((a, b) => a.at - b.at),
    [known, own],
  );
  return { answers: all, add: answers.add, trouble };
}
