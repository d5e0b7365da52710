"use client";
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { useDeferredValue, useState } from "react";
import { findMarkers } from "@/core/codes/find";
import type { RackMarker } from "@/store/rack";
import { MarkerChip } from "@/ui/ink/marker-chip";

import { Modal } from "./kit/modal";
import type { FinderRequest } from "./shell";
import { labInWords } from "@/words/numbers";

const MOST_SHOWN = 40;

const standing = (m: RackMarker) =>
  m.owned ? (m.state === "low" || m.state === "dry" ? m.state : "") : "not owned";

interface FinderProps {
  readonly request: FinderRequest | undefined;
  readonly onClose: () => void;
}

/** Finds a marker by family or code while typing. */
export function Finder({ request, onClose }: FinderProps) {
  return (
    <Modal open={request !== undefined} title={request?.title ?? ""} onClose={onClose}>
      <Choices request={request} onClose={onClose} />
    </Modal>
  );
}

function Choices({ request, onClose }: FinderProps) {
  const [query, setQuery] = useState("");
  // The field is there at once, the list a moment later, or with the first letter: Enter takes what was typed.
  const isListed = useDeferredValue(true, false) || query !== "";
  const found = findMarkers(request?.markers ?? [], query);
  const pick = (m: RackMarker | null) => {
    if (!m || !request) return;
    onClose();
    request.onPick(m);
  };
  return (
    <>
      <Combobox<RackMarker | null> value={null} onChange={pick} immediate>
        <ComboboxInput
          autoFocus
          aria-label="Family or code"
          placeholder="family or code, such as clay or clay3m"
          className="field w-full"
          onChange={(e) => setQuery(e.target.value)}
          // The list is always there: Escape has nothing to close but the finder.
          onKeyDown={(e) => {
            if (e.key !== "Escape") return;
            e.preventDefault();
            e.stopPropagation();
            onClose();
          }}
          autoComplete="off"
        />
        <ComboboxOptions static modal={false} className="m-0 mt-2 max-h-[52vh] list-none overflow-y-auto p-0">
          {(isListed ? found.slice(0, MOST_SHOWN) : []).map((m) => (
            <ComboboxOption
              key={m.code}
              value={m}
              className="flex min-h-11 items-center gap-3 border-b border-line px-1 data-focus:bg-invert data-focus:text-invert-text"
            >
              <MarkerChip marker={m} width={76} height={28} />
              <span className="code w-20">{m.code}</span>
              <span className="text-[14px]">
                {m.swatches[0] ? labInWords(m.swatches[0].lab) : "not read on this paper"}
              </span>
              <span className="ml-auto text-[14px]">{standing(m)}</span>
            </ComboboxOption>
          ))}
        </ComboboxOptions>
      </Combobox>
      {found.length === 0 && (
        <p className="mt-2 text-[15px]">
          No marker begins with “{query}”. Try a family, such as fern, or part of a code.
        </p>
      )}
      {found.length > MOST_SHOWN && (
        <p className="mt-2 text-[14px] text-soft">{found.length - MOST_SHOWN} more: type on.</p>
      )}
    </>
  );
}
