import type { PaperSheet } from "@/store/papers";

/** Chooses one of the studio's papers. */
export const PaperSelect = ({
  says,
  papers,
  chosen,
  onChoose,
}: {
  readonly says: string;
  readonly papers: readonly Pick<PaperSheet, "id" | "name">[];
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}) => (
  <label className="flex items-center gap-1.5 text-[14px]">
    {says}
    <select className="field" value={chosen} onChange={(e) => onChoose(e.target.value)}>
      {papers.map((p) => (
        <option key={p.id} value={p.id}>
          {p.name}
        </option>
      ))}
    </select>
  </label>
);
