import { look } from "./observer";
import { normal } from "./random";

/** A bench spectrophotometer: what it takes in, how it is lit, and how fine it tells. */
export interface Spectrophotometer {
  /** Spread of one band of one reading, 0–1. */
  readonly noise: number;
  /** Share of what it takes in that lies beside the patch. */
  readonly beside: number;
  /** First and last band, and from band to band, nm; within 380–730 and a multiple of 5. */
  readonly from: number;
  readonly to: number;
  readonly step: number;
  readonly condition: "M0" | "M1" | "M2";
  /** Reflectance that a sheet's brightener adds at its peak where all of its ultraviolet comes in. */
  readonly brightener: number;
}

export const benchtop: Spectrophotometer = {
  noise: 0.001,
  beside: 0.002,
  from: 380,
  to: 730,
  step: 10,
  condition: "M1",
  brightener: 0,
};

/** Ultraviolet in the light of a condition, daylight being 1. */
const ULTRAVIOLET = { M0: 0.6, M1: 1, M2: 0 } as const;
/** Peak of what a brightener sends out, and its spread, nm. */
const [GLOW, WIDTH] = [440, 22];

/** One reading: a value for each of the instrument's bands, of a sample whose reflectance is known every 5 nm from 380 to 730. */
export function readSpectrum(
  sample: ArrayLike<number>,
  paper: ArrayLike<number>,
  { noise, beside, from, to, step, condition, brightener }: Spectrophotometer,
  random: () => number,
): number[] {
  const out: number[] = [];
  for (let nm = from; nm <= to; nm += step) {
    const i = Math.min(70, Math.max(0, (nm - 380) / 5));
    const own = (1 - beside) * sample[i]! + beside * paper[i]!;
    // What ink takes away of the light about 440 nm it takes away of the glow, and of what excites it.
    const through = paper[12]! > 0 ? sample[12]! / paper[12]! : 0;
    const glow = brightener * ULTRAVIOLET[condition] * through * Math.exp(-(((nm - GLOW) / WIDTH) ** 2) / 2);
    out.push(Math.max(0, own + glow + noise * normal(random)));
  }
  return out;
}

/** A reading with the name of its patch. */
export interface NamedReading {
  readonly name: string;
  readonly values: readonly number[];
}

const wavelengths = ({ from, to, step }: Spectrophotometer): number[] =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + step * i);

/** Lab under D50 of a sample known every 5 nm: the instrument's own arithmetic. */
function labD50(spectrum: ArrayLike<number>): [number, number, number] {
  const white = look(new Float64Array(71).fill(1), "D50");
  const f = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);
  const [x, y, z] = look(spectrum, "D50").map((v, c) => f(v / white[c]!)) as [number, number, number];
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/**
 * A text as such programs write it: CGATS.17 with Lab under D50 and spectra in one table.
 * @param samples reflectances every 5 nm, for the colours; without spectra where `bands` is false
 */
export function cgatsFile(
  readings: readonly NamedReading[],
  instrument: Spectrophotometer,
  {
    samples,
    bands = true,
    prefix = "SPECTRAL_NM",
    percent = false,
    light = "D50",
  }: {
    readonly samples?: readonly ArrayLike<number>[];
    readonly bands?: boolean;
    readonly prefix?: string;
    readonly percent?: boolean;
    /** What the header says, which may be wrong; nothing is said where it is empty. */
    readonly light?: string;
  } = {},
): string {
  const columns = bands ? wavelengths(instrument).map((nm) => `${prefix}${nm}`) : [];
  const rows = readings.map(({ name, values }, i) => {
    const lab = samples ? labD50(samples[i]!).map((v) => v.toFixed(3)) : [];
    const told = bands ? values.map((v) => (percent ? 100 * v : v).toFixed(percent ? 3 : 5)) : [];
    return [i + 1, `"${name}"`, ...lab, ...told].join("\t");
  });
  const fields = ["SAMPLE_ID", "SAMPLE_NAME", ...(samples ? ["LAB_L", "LAB_A", "LAB_B"] : []), ...columns];
  return [
    "CGATS.17",
    'ORIGINATOR\t"Simulated bench spectrophotometer"',
    `MEASUREMENT_SOURCE\t"MeasurementCondition=${instrument.condition} Filter=${instrument.condition === "M2" ? "UVcut" : "no"}"`,
    'SAMPLE_BACKING\t"white"',
    ...(light
      ? [`WEIGHTING_FUNCTION\t"ILLUMINANT, ${light}"`, 'WEIGHTING_FUNCTION\t"OBSERVER, 2 degree"']
      : []),
    `NUMBER_OF_FIELDS\t${fields.length}`,
    "BEGIN_DATA_FORMAT",
    fields.join("\t"),
    "END_DATA_FORMAT",
    `NUMBER_OF_SETS\t${rows.length}`,
    "BEGIN_DATA",
    ...rows,
    "END_DATA",
    "",
  ].join("\r\n");
}

/** The same as CxF3 (ISO 17972). */
export function cxfFile(readings: readonly NamedReading[], instrument: Spectrophotometer): string {
  const { from, step, condition } = instrument;
  const objects = readings.map(
    ({ name, values }, i) =>
      `<cc:Object ObjectType="Standard" Name="${name.replaceAll("&", "&amp;").replaceAll("<", "&lt;")}" Id="o${i + 1}"><cc:ColorValues><cc:ReflectanceSpectrum ColorSpecification="CS1" StartWL="${from}">${values.map((v) => v.toFixed(5)).join(" ")}</cc:ReflectanceSpectrum></cc:ColorValues></cc:Object>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?>
<cc:CxF xmlns:cc="http://colorexchangeformat.com/CxF3-core"><cc:FileInformation><cc:Creator>Simulated bench spectrophotometer</cc:Creator></cc:FileInformation>
<cc:Resources><cc:ObjectCollection>
${objects.join("\n")}
</cc:ObjectCollection>
<cc:ColorSpecificationCollection><cc:ColorSpecification Id="CS1"><cc:MeasurementSpec><cc:MeasurementType>Spectrum_Reflectance</cc:MeasurementType><cc:WavelengthRange StartWL="${from}" Increment="${step}"/><cc:Device><cc:Model>Bench</cc:Model><cc:DeviceIllumination>${condition}_Daylight</cc:DeviceIllumination></cc:Device></cc:MeasurementSpec></cc:ColorSpecification></cc:ColorSpecificationCollection></cc:Resources></cc:CxF>
`;
}

/** The same as a table, in percent, with commas for decimal points as half of the world writes them. */
export function tableFile(readings: readonly NamedReading[], instrument: Spectrophotometer): string {
  const rows = readings.map(({ name, values }) =>
    [name, ...values.map((v) => (100 * v).toFixed(2).replace(".", ","))].join(";"),
  );
  return [
    "Exported readings",
    `Name;${wavelengths(instrument)
      .map((nm) => `${nm} nm`)
      .join(";")}`,
    ...rows,
    "",
  ].join("\n");
}
