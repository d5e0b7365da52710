"use client";
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import { Check } from "lucide-react";
import { useDeferredValue, type ReactNode } from "react";
import { useTitlePart } from "./use-title-part";

export interface TabItem<Id extends string> {
  readonly id: Id;
  readonly name: string;
  /** The key that opens it. */
  readonly key?: string;
  /** Something is kept in it. */
  readonly marked?: boolean;
  /** A figure or a few words beside its name. */
  readonly note?: string;
  readonly content: () => ReactNode;
}

/** Tabs whose open one is known outside, as by the address. Only the open one is drawn. */
export function Tabs<Id extends string>({
  label,
  items,
  open,
  onOpen,
  beside,
}: {
  readonly label: string;
  readonly items: readonly TabItem<Id>[];
  readonly open: Id;
  readonly onOpen: (id: Id) => void;
  /** What belongs to the open tab and stands beside the names. */
  readonly beside?: ReactNode;
}) {
  const at = Math.max(
    0,
    items.findIndex((t) => t.id === open),
  );
  // The first one is what the page is called after.
  useTitlePart(at > 0 ? items[at]!.name : undefined);
  // The name is marked at once; what was open stays until the other is drawn.
  const drawn = useDeferredValue(at);
  return (
    <TabGroup selectedIndex={Math.min(drawn, items.length - 1)} onChange={(i) => onOpen(items[i]!.id)}>
      <div className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line">
        <TabList aria-label={label} className="flex flex-wrap">
          {items.map((t, i) => (
            <Tab
              key={t.id}
              title={t.key && `${t.name} (${t.key})`}
              className={`border-b-3 px-3 py-1.5 text-[15px] ${i === at ? "border-text font-semibold text-text" : "border-transparent text-soft hover:border-line"}`}
            >
              {t.name}
              {t.note && <span className="ml-1.5 text-[13px] font-normal">{t.note}</span>}
              {t.marked && (
                <>
                  <Check size={14} aria-hidden className="ml-1 inline-block" />
                  <span className="sr-only"> kept</span>
                </>
              )}
            </Tab>
          ))}
        </TabList>
        {beside}
      </div>
      <TabPanels>
        {items.map((t) => (
          <TabPanel key={t.id} tabIndex={-1}>
            {t.content()}
          </TabPanel>
        ))}
      </TabPanels>
    </TabGroup>
  );
}
