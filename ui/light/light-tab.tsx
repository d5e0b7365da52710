"use client";
import { moonBehind, secondLight, type Lamp, type LightPlan } from "@/core/light/light";
import { groundShadowOf } from "@/core/piece/ground-shadow";
import { lampInWords } from "@/words/light";
import { Dial } from "./dial";
import { Setting } from "./setting";
import type { LightStage } from "./use-light-stage";

/** Where the light comes from, what shade it throws, and what is taken from the reference. */
export function LightTab({ own }: { readonly own: LightStage }) {
  const { piece, run, setPassing, picture } = own;
  const { light } = piece;
  const { main, second, shade } = light;
  const change = (set: Partial<LightPlan>) => run({ type: "change light", set });
  const passing = (set: Partial<LightPlan> | undefined) => setPassing(set);
  const settle = (set: Partial<LightPlan>) => {
    setPassing(undefined);
    change(set);
  };
  return (
    <div className="flex flex-col gap-5">
      <section aria-label="Main light" className="flex flex-wrap items-start gap-x-5 gap-y-2">
        <Dial
          label="Main light"
          lamp={main}
          onChange={(lamp) => change({ main: lamp })}
          onMove={(lamp) => passing(lamp && { main: lamp })}
        />
        <div className="min-w-52 flex-1">
          <h2 className="m-0 text-[17px]">Main light</h2>
          <p className="mt-0.5 mb-2 text-[15px]">{lampInWords(main)}</p>
          <Behind lamp={main} onChange={(lamp) => change({ main: lamp })} />
          <div className="mt-3 grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1.5">
            <Setting
              label="Softness"
              value={light.softness}
              onChange={(softness) => settle({ softness })}
              onMove={(softness) => passing({ softness })}
              says={light.softness < 0.25 ? "hard" : light.softness < 0.6 ? "soft" : "very soft"}
            />
          </div>
        </div>
      </section>
      <section aria-label="Second light">
        <h2 className="m-0 mb-1 text-[17px]">Second light</h2>
        <div className="flex flex-wrap gap-2">
          {(
            [
              ["None", null],
              ["A weak one", secondLight(main)],
              ["The moon behind", moonBehind(main)],
            ] as const
          ).map(([name, lamp]) => {
            const on = lamp === null ? second === null : second !== null && second.behind === lamp.behind;
            return (
              <button
                key={name}
                className={`button ${on ? "button-main" : ""}`}
                aria-pressed={on}
                onClick={() => change({ second: lamp })}
              >
                {name}
              </button>
            );
          })}
        </div>
        {second && (
          <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
            <Dial
              label="Second light"
              lamp={second}
              onChange={(lamp) => change({ second: lamp })}
              onMove={(lamp) => passing(lamp && { second: lamp })}
            />
            <div className="min-w-52 flex-1">
              <p className="mt-0 mb-2 text-[15px]">
                {second.behind ? "It leaves a glowing rim: " : ""}
                {lampInWords(second)}
              </p>
              <Behind lamp={second} onChange={(lamp) => change({ second: lamp })} />
              <div className="mt-3 grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1.5">
                <Setting
                  label="Strength"
                  value={second.strength}
                  onChange={(strength) => settle({ second: { ...second, strength } })}
                  onMove={(strength) => passing({ second: { ...second, strength } })}
                  says={`${Math.round(100 * second.strength)} %`}
                />
              </div>
            </div>
          </div>
        )}
      </section>
      <section aria-label="Shade on what lies behind">
        <h2 className="m-0 text-[17px]">Shade on what lies behind</h2>
        <p className="mt-0.5 mb-2 max-w-[52ch] text-[14px] text-soft">
          Where something passes before something else, the thing behind is darker there. What lies before
          what is said in Set up, Order.
        </p>
        <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1.5">
          <Setting
            label="How dark"
            value={shade.strength}
            onChange={(strength) => settle({ shade: { ...shade, strength } })}
            onMove={(strength) => passing({ shade: { ...shade, strength } })}
            says={`${Math.round(100 * shade.strength)} %`}
          />
          <Setting
            label="How long"
            value={shade.length}
            most={25}
            step={0.5}
            onChange={(length) => settle({ shade: { ...shade, length } })}
            onMove={(length) => passing({ shade: { ...shade, length } })}
            says={`${shade.length} mm`}
          />
          <Setting
            label="How soft"
            value={shade.softness}
            onChange={(softness) => settle({ shade: { ...shade, softness } })}
            onMove={(softness) => passing({ shade: { ...shade, softness } })}
            says={`${Math.round(100 * shade.softness)} %`}
          />
        </div>
        <button
          className="button mt-3"
          onClick={() => {
            const command =
              own.state.output && groundShadowOf(piece, own.state.output, own.chosen, crypto.randomUUID());
            if (command) run(command);
          }}
        >
          Add a ground shadow
        </button>
        <span className="ml-3 text-[14px] text-soft">
          an area of its own under what is chosen, in two or three greys
        </span>
      </section>
      {picture && (
        <section aria-label="Values of the reference">
          <h2 className="m-0 mb-1 text-[17px]">Values of the reference</h2>
          <div className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3">
            <Setting
              label="Taken from it"
              value={light.fromReference}
              onChange={(fromReference) => settle({ fromReference })}
              onMove={(fromReference) => passing({ fromReference })}
              says={light.fromReference ? `${Math.round(100 * light.fromReference)} %` : "none"}
            />
          </div>
        </section>
      )}
    </div>
  );
}

function Behind({ lamp, onChange }: { readonly lamp: Lamp; readonly onChange: (lamp: Lamp) => void }) {
  return (
    <div role="group" aria-label="Stands" className="flex flex-wrap gap-2">
      {[false, true].map((behind) => (
        <button
          key={String(behind)}
          className={`button ${lamp.behind === behind ? "button-main" : ""}`}
          aria-pressed={lamp.behind === behind}
          onClick={() => onChange({ ...lamp, behind })}
        >
          {behind ? "From behind" : "From the front"}
        </button>
      ))}
    </div>
  );
}
