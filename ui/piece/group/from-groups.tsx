"use client";
import { shortName } from "@/border/names";
import { useEffect, useMemo, useState } from "react";
import type { GroupOutput } from "@/compute/group-output";
import type { Area, KeptTone } from "@/core/piece/piece";
import type { Lab } from "@/core/colour/lab";
import type { LibraryGroup } from "@/store/groups";
import type { Rack } from "@/store/rack";
import { useLaidGroups } from "@/ui/groups/use-laid-groups";
import { Ramp } from "@/ui/ink/ramp";
import { Modal } from "@/ui/kit/modal";
import { send } from "@/ui/send";
import { laidTones } from "@/compute/kept-groups";

/** Longest name of where a reading came from. */
const LONGEST_FROM = 60;

/** The colours of a group as it lies on the paper, as what an area is to look like. */
function coloursOf(name: string, { places, local }: GroupOutput): Area["readings"] {
  const read = (lab: Lab) => ({ lab, spread: 0, from: shortName(name, LONGEST_FROM) });
  return {
    light: read(places[0]!.lab),
    local: read(places[local + 1]!.lab),
    shadow: read(places.at(-1)!.lab),
  };
}

/** Takes a kept group of the library into the area, or only the colours that it has on the paper. */
export function FromGroups({
  rack,
  onTake,
  onColours,
  onClose,
}: {
  readonly rack: Rack;
  readonly onTake: (tones: readonly KeptTone[]) => void;
  readonly onColours: (readings: Area["readings"]) => void;
  readonly onClose: () => void;
}) {
  const [groups, setGroups] = useState<readonly LibraryGroup[]>();
  const [query, setQuery] = useState("");
  const [trouble, setTrouble] = useState(false);
  useEffect(() => {
    let gone = false;
    send<{ groups: LibraryGroup[] }>("GET", "/api/groups").then(
      (file) => !gone && setGroups(file.groups),
      () => !gone && setTrouble(true),
    );
    return () => {
      gone = true;
    };
  }, []);
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  // A file of groups knows them by their names alone.
  const all = useMemo(() => (groups ?? []).map((g) => ({ ...g, id: g.name })), [groups]);
  const found = all.filter((g) =>
    words.every((w) =>
      `${g.name} ${g.tags.join(" ")} ${g.tones.map((t) => t.code).join(" ")}`.toLowerCase().includes(w),
    ),
  );
  const isRead = ({ code }: KeptTone) => rack.markers.some((m) => m.code === code && m.swatches.length);
  const laidAs = useLaidGroups(rack, all);
  return (
    <Modal open title="Take a group from Groups" onClose={onClose} wide>
      <input
        autoFocus
        className="field w-full"
        type="search"
        aria-label="Search kept groups"
        placeholder="skin, olive, clay3m…"
        value={query}
        onChange={(e) => setQuery(e.target.value)}
      />
      <p className="mt-2 mb-0 text-[14px] text-soft">
        “Take it” keeps the group’s markers here. “Its colours” makes what it looks like on {rack.paper.name}{" "}
        the colours of this area, and a group is planned for them.
      </p>
      {trouble && (
        <p role="alert" className="mt-2 mb-0 text-[15px]">
          The kept groups cannot be fetched just now. Close this and try again in a moment.
        </p>
      )}
      {groups && !found.length && (
        <p className="mt-2 mb-0 text-[15px]">
          {groups.length
            ? `No kept group has “${query}” in its name, tags or codes.`
            : "No group is kept yet: keep one from an area first."}
        </p>
      )}
      <ul className="m-0 mt-2 max-h-[56vh] list-none overflow-y-auto p-0">
        {found.map((g) => {
          const laid = laidAs(g.id);
          const unread = g.tones.filter((t) => !isRead(t)).map((t) => t.code);
          return (
            <li
              key={g.name}
              className="grid grid-cols-[120px_minmax(0,1fr)_auto_auto] items-center gap-3 border-b border-line py-1.5"
            >
              <Ramp colours={laid?.strip ?? []} height={30} label={g.name} />
              <span className="min-w-0 leading-tight">
                <span className="block truncate text-[15px] font-semibold">{g.name}</span>
                <span className="code block truncate text-[13px]">
                  {g.tones.map((t) => t.code).join(" ")}
                </span>
              </span>
              <button
                className="button"
                disabled={!laid || unread.length > 0}
                aria-label={`Its colours: aim at those of ${g.name}`}
                onClick={() => laid && onColours(coloursOf(g.name, laid))}
              >
                Its colours
              </button>
              <button
                className="button"
                disabled={unread.length > 0}
                title={unread.length ? `not read on ${rack.paper.name}: ${unread.join(", ")}` : undefined}
                onClick={() => onTake(laidTones(g.tones))}
              >
                {unread.length ? "not read here" : "Take it"}
              </button>
            </li>
          );
        })}
      </ul>
    </Modal>
  );
}
