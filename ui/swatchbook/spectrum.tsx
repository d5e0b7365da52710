"use client";
import type { ListedReading } from "./reading-columns";
import { axis, ChartCanvas } from "@/ui/kit/chart";
import { Modal } from "@/ui/kit/modal";
import { howInWords } from "@/words/measured";
import { labInWords } from "@/words/numbers";

const nmOf = (i: number) => 380 + 10 * i;

/** A reading's curve: how much of each wavelength the sheet sends back, with its table. */
export function SpectrumDialog({
  reading,
  paper,
  onClose,
}: {
  readonly reading: ListedReading | undefined;
  /** Reflectance of the bare sheet, where it was read. */
  readonly paper: readonly number[] | undefined;
  readonly onClose: () => void;
}) {
  const spectrum = reading?.measured?.reflectance;
  return (
    <Modal open={spectrum !== undefined} title={`Spectrum of ${reading?.name ?? ""}`} onClose={onClose} wide>
      {spectrum && (
        <div className="grid gap-3 text-[14px]">
          <p className="m-0">
            {labInWords(reading!.lab)} by day. {howInWords(reading!.measured!)}
          </p>
          <ChartCanvas
            kind="line"
            className="h-72"
            label={`Reflectance of ${reading!.name} from 380 to 730 nm; the table below says the same`}
            says={JSON.stringify([spectrum, paper])}
            data={({ text }) => ({
              labels: spectrum.map((_, i) => String(nmOf(i))),
              datasets: [
                {
                  label: reading!.name,
                  data: spectrum.map((r) => 100 * r),
                  borderColor: text,
                  borderWidth: 2.5,
                  pointRadius: 0,
                },
                ...(paper && reading!.stack.length
                  ? [
                      {
                        label: "bare paper",
                        data: paper.map((r) => 100 * r),
                        borderColor: text,
                        borderWidth: 1.5,
                        borderDash: [5, 4],
                        pointRadius: 0,
                      },
                    ]
                  : []),
              ],
            })}
            options={(ink) => ({
              scales: {
                x: axis(ink, "wavelength, nm"),
                y: axis(ink, "reflectance, %", { min: 0 }),
              },
              plugins: {
                legend: {
                  position: "bottom",
                  labels: { color: ink.text, font: ink.font, usePointStyle: false },
                },
                tooltip: { animation: false },
              },
            })}
          />
          <details>
            <summary className="min-h-6 cursor-pointer">The same as a table</summary>
            <div className="grid grid-cols-[repeat(auto-fill,minmax(110px,1fr))] gap-x-4">
              {spectrum.map((r, i) => (
                <span key={i} className="flex justify-between border-t border-line">
                  <span className="text-soft">{nmOf(i)} nm</span> {(100 * r).toFixed(1)} %
                </span>
              ))}
            </div>
          </details>
        </div>
      )}
    </Modal>
  );
}
