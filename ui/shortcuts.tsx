"use client";
import { Modal } from "./kit/modal";
import { switchKeys, useKeysOn } from "./use-keys";

const groups: readonly { readonly title: string; readonly keys: readonly (readonly [string, string])[] }[] = [
  {
    title: "Everywhere",
    keys: [
      ["/", "find a marker"],
      ["?", "this list"],
      ["d", "bright or dim surround"],
      ["Ctrl or Cmd Z", "undo"],
      ["Ctrl or Cmd Shift Z", "redo"],
    ],
  },
  {
    title: "Colour",
    keys: [
      ["1 2 3", "pick for light, local colour, shadow"],
      ["+ − 0", "zoom in, out, whole picture"],
      ["arrows, Enter", "on the picture: move the crosshair, pick"],
      ["[ ]", "area before, area after"],
      ["g s h p f", "group, school, shadow, pencil, finish"],
      ["a", "all areas"],
      ["k", "keep the group shown"],
      ["m", "match the local colour exactly"],
      ["Alt ↑ ↓", "on a layer: lay it earlier or later"],
    ],
  },
  {
    title: "At the desk",
    keys: [
      ["Space", "begin, done"],
      ["← →", "the step before, the step after"],
      ["p", "pause, go on"],
      ["s", "leave this step out"],
      ["r t x n", "repair, try an ink, exchange the marker, note"],
    ],
  },
  {
    title: "Rack",
    keys: [
      ["← →", "walk a family track"],
      ["↑ ↓", "next family"],
    ],
  },
];

/** All shortcuts, by place. */
export function Shortcuts({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const on = useKeysOn();
  return (
    <Modal open={open} onClose={onClose} title="Shortcuts">
      <label className="mb-3 flex items-center gap-2 border-b border-line pb-2 text-[15px]">
        <input
          type="checkbox"
          className="size-4 accent-black"
          checked={on}
          onChange={(e) => switchKeys(e.target.checked)}
        />
        Shortcuts of a single key are on, in this browser
      </label>
      {groups.map(({ title, keys }) => (
        <section key={title} className="mb-3">
          <h3 className="small-title mb-1">{title}</h3>
          <dl className="m-0 grid grid-cols-[11rem_1fr] gap-y-1 text-[15px]">
            {keys.map(([key, what]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="key">{key}</kbd>
                </dt>
                <dd className="m-0">{what}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Modal>
  );
}
