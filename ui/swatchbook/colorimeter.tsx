"use client";
import { useMemo, useState } from "react";
import { measuredPatches, type MeasuredPatch } from "@/core/chart/measured-patches";
import type { Lab } from "@/core/colour/lab";
import type { Illuminant } from "@/core/colour/observer";
import { FormatError } from "@/core/formats/format-error";
import { glows, type MeasuredFile } from "@/core/formats/measured";
import { readStack } from "@/core/formats/cgats";
import type { StoredChart } from "@/store/charts";
import type { Rack } from "@/store/rack";
import { FileButton } from "@/ui/kit/file-button";
import { messageOf, send } from "@/ui/send";
import { howInWords, takenInWords } from "@/words/measured";
import { counted, labInWords } from "@/words/numbers";
import { LightOfFile, OrderOfFile, Patch } from "./instrument-file";
import { orderOf, type Order } from "./patch-order";

const MOST_BYTES = 16 * 1024 * 1024;
/** Digits of a reflectance that an instrument can tell. */
const DIGITS = 1e5;

/** Readings as they are sent: what the instrument told, spectra before colours. */
const asReading = (
  { stack, reading: { lab, told, reflectance }, spread }: MeasuredPatch,
  { condition, filter, geometry, backing, device }: MeasuredFile["how"],
) => ({
  stack,
  color: reflectance
    ? { reflectance: Array.from(reflectance, (r) => Math.round(Math.min(1.5, r) * DIGITS) / DIGITS) }
    : (told ?? { lab }),
  spread,
  source: "colorimeter",
  how: {
    ...(condition && { condition }),
    ...(filter && { filter }),
    ...(geometry && { geometry }),
    ...(backing && { backing }),
    ...(device && { device }),
  },
});

/** Readings of an instrument from its file, as they were read beside the codes they will go to, before anything is kept. */
export function Colorimeter({
  rack,
  charts,
  onDone,
}: {
  readonly rack: Rack;
  readonly charts: readonly StoredChart[];
  readonly onDone: () => void;
}) {
  const [file, setFile] = useState<{ readonly name: string; readonly measured: MeasuredFile }>();
  const [light, setLight] = useState<Illuminant>("D50");
  const [order, setOrder] = useState<Order>({ kind: "names" });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [asPaper, setAsPaper] = useState(true);
  const [mixes, setMixes] = useState(false);
  const [said, setSaid] = useState<string>();
  /** What was kept last, and the paper's colour before it where that was taken too. */
  const [kept, setKept] = useState<{ readonly at: string; readonly added: number; readonly before?: Lab }>();
  const codes = useMemo(() => new Set([...rack.markers, ...rack.others].map((m) => m.code)), [rack]);
  const found = useMemo(() => {
    if (!file) return undefined;
    const knownOf = knownOn(rack);
    const list = orderOf(order, charts);
    const stackOf = (name: string, place: number) => {
      const stack = list ? list[place] : readStack(name);
      return stack?.every((c) => codes.has(c)) ? stack : undefined;
    };
    try {
      return { patches: measuredPatches(file.measured, light, stackOf, knownOf) };
    } catch (e) {
      if (!(e instanceof FormatError)) throw e;
      return { trouble: e.message, patches: [] };
    }
  }, [file, light, order, charts, rack, codes]);
  const choose = async (chosen: File | undefined) => {
    setSaid(undefined);
    if (!chosen) return;
    try {
      if (chosen.size > MOST_BYTES) throw new Error("it has more than 16 MB");
      const { readMeasured } = await import("@/workers/measured-file");
      setFile({ name: chosen.name, measured: readMeasured(await chosen.text()) });
      setOrder({ kind: "names" });
      setLight("D50");
      setLeft(new Set());
      setMixes(false);
    } catch (e) {
      setFile(undefined);
      setSaid(`“${chosen.name}” cannot be read: ${messageOf(e)}.`);
    }
  };
  const patches = found?.patches ?? [];
  const known = patches.filter((p) => p.stack);
  const taken = known.filter((p) => !left.has(p.name));
  const unknown = patches.filter((p) => !p.stack);
  const bare = taken.find((p) => p.stack!.length === 0);
  const others = useMemo(() => conditionsOn(rack), [rack]);
  const condition = file?.measured.how.condition;
  const isOther = condition !== undefined && others.size > 0 && !others.has(condition);
  const colourPaper = (lab: Lab) => send("PATCH", `/api/papers/${rack.paper.id}`, { color: { lab } });
  const keep = async () => {
    try {
      const { added, at } = await send<{ added: number; at: string }>(
        "POST",
        `/api/papers/${rack.paper.id}/readings`,
        { readings: taken.map((p) => asReading(p, file!.measured.how)) },
      );
      const before = rack.paper.lab;
      setFile(undefined);
      setKept({ at, added });
      if (bare && asPaper) {
        await colourPaper(bare.reading.lab);
        setKept({ at, added, before });
      }
      onDone();
    } catch (e) {
      setSaid(messageOf(e));
    }
  };
  const takeBack = async () => {
    try {
      const { removed } = await send<{ removed: number }>("DELETE", `/api/papers/${rack.paper.id}/readings`, {
        at: kept!.at,
      });
      if (kept!.before) await colourPaper(kept!.before);
      setKept(undefined);
      setSaid(`${counted(removed, "reading")} taken back.`);
      onDone();
    } catch (e) {
      setSaid(messageOf(e));
    }
  };
  return (
    <section aria-label="Colorimeter">
      <h2 className="m-0 text-[17px]">From an instrument</h2>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <FileButton
          label="File of the instrument"
          accept=".txt,.cgats,.it8,.ti3,.cxf,.xml,.csv"
          onFiles={([chosen]) => void choose(chosen)}
        >
          Choose its file
        </FileButton>
        <span className="text-[14px] text-soft">
          CGATS.17, CxF3, or a table with wavelengths; samples named like “clay3m ×2”, or in the order of a
          chart.
        </span>
      </div>
      {(said || kept) && (
        <p role="status" className="mt-1 mb-0 flex items-center gap-3 text-[14px]">
          {said ?? `${counted(kept!.added, "reading")} kept.`}
          {kept && (
            <button className="button min-h-8 py-0" onClick={() => void takeBack()}>
              Take them back
            </button>
          )}
        </p>
      )}
      {file && (
        <div className="mt-2 grid gap-2 text-[14px]">
          <p className="m-0">
            <strong className="break-words">{file.name}</strong>:{" "}
            {counted(file.measured.samples.length, "reading")} of{" "}
            {counted(patches.length, "patch", "patches")}. {takenInWords(file.measured)}{" "}
            {howInWords(file.measured.how)}
          </p>
          <LightOfFile file={file.measured} rack={rack} light={light} onChange={setLight} />
          {bare?.reading.reflectance && glows(bare.reading.reflectance) && (
            <p className="m-0 border-l-4 border-strong pl-3">
              This sheet glows: it turns ultraviolet into blue. Photos and lamps with little ultraviolet show
              it yellower than it was measured.
            </p>
          )}
          <OrderOfFile order={order} charts={charts} onChange={setOrder} />
          {found?.trouble && (
            <p role="alert" className="m-0">
              {found.trouble}.
            </p>
          )}
          {isOther && (
            <label className="flex items-center gap-2 border-l-4 border-strong pl-3">
              <input
                type="checkbox"
                className="size-4 accent-black"
                checked={mixes}
                onChange={(e) => setMixes(e.target.checked)}
              />
              Readings on this paper were made with {[...others].join(" and ")}, these with {condition}: a
              sheet that glows looks otherwise under each. Keep them beside each other all the same
            </label>
          )}
          {bare && (
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-black"
                checked={asPaper}
                onChange={(e) => setAsPaper(e.target.checked)}
              />
              Take “{bare.name}” as the colour of this paper: {labInWords(bare.reading.lab)}
            </label>
          )}
          <ul
            aria-label="Patches of the file"
            className="m-0 max-h-72 list-none overflow-y-auto p-0"
            tabIndex={0}
          >
            {known.map((p) => (
              <Patch
                key={p.name}
                patch={p}
                isTaken={!left.has(p.name)}
                onTake={(take) => {
                  const next = new Set(left);
                  if (take) next.delete(p.name);
                  else next.add(p.name);
                  setLeft(next);
                }}
              />
            ))}
          </ul>
          {unknown.length > 0 && (
            <p className="m-0 text-soft">
              {counted(unknown.length, "patch", "patches")} not on the rack, and left:{" "}
              {unknown
                .slice(0, 5)
                .map((p) => p.name)
                .join(", ")}
              {unknown.length > 5 && " …"}
            </p>
          )}
          <div className="flex gap-2">
            <button
              className="button button-main"
              disabled={!taken.length || (isOther && !mixes)}
              onClick={() => void keep()}
            >
              Keep {counted(taken.length, "reading")}
            </button>
            <button className="button" onClick={() => setFile(undefined)}>
              Leave them
            </button>
          </div>
        </div>
      )}
    </section>
  );
}

/** Conditions under which readings on the rack's paper were made, as far as their instruments told. */
const conditionsOn = ({ markers, overlays, bare }: Rack): ReadonlySet<string> =>
  new Set(
    [...markers.flatMap((m) => m.swatches), ...overlays, ...(bare ? [bare] : [])].flatMap(({ measured }) =>
      measured?.condition ? [measured.condition] : [],
    ),
  );

/** What is known already of stacks on the rack's paper. */
function knownOn({ paper, markers, others, overlays }: Rack) {
  const byCode = new Map([...markers, ...others].map((m) => [m.code, m.swatches]));
  const stacks = new Map(overlays.map((o) => [o.stack.join("\n"), o.lab]));
  return (stack: readonly string[]) =>
    !stack.length
      ? paper.lab
      : stack.every((c) => c === stack[0])
        ? byCode.get(stack[0]!)?.[stack.length - 1]?.lab
        : stacks.get(stack.join("\n"));
}
