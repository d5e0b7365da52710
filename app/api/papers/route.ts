import { created, route } from "@/door/route";
import { NewPaperInput, paperFactsOf } from "@/border/paper";
import { wrong } from "@/border/problem";
import { addPaper } from "@/store/papers";

export const POST = route(NewPaperInput, async (studio, input) => {
  const { name, capacity } = input;
  const { lab, ...facts } = paperFactsOf(input);
  const paper = await addPaper(studio, { ...facts, name, capacity, lab: lab! });
  if (paper === "taken") throw wrong("name", `expected a name of its own; another paper is called “${name}”`);
  return created(paper);
});
