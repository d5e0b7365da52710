import { SaxesParser, type SaxesTagPlain } from "saxes";
import { resampling, type Resampling } from "./bands";
import { FormatError } from "./format-error";
import {
  checked,
  conditionIn,
  inShares,
  lightIn,
  MOST_SAMPLES,
  observerIn,
  type MeasuredFile,
  type MeasuredHow,
  type MeasuredSample,
} from "./measured";
import { rangeOf } from "./cgats";

/** Names as they are without the prefix of their namespace, whichever a file chose. */
const nameOf = (tag: string): string => tag.slice(tag.indexOf(":") + 1);

/** Text of one element that is kept, and depth of elements: beyond it nothing here is a measurement. */
const [MOST_TEXT, MOST_DEPTH] = [20_000, 40];
const LONGEST_WORD = 120;

/** A specification of how colours were measured, which samples name. */
interface Specification {
  how: MeasuredHow;
  start?: number;
  step?: number;
}

/** An object as it is read: what it has of spectrum and colours, and under which specification. */
interface Found {
  readonly name: string;
  readonly line: number;
  readonly spectra: {
    readonly values: number[];
    readonly start: number | undefined;
    readonly of: string | undefined;
  }[];
  lab?: { readonly values: Map<string, number>; readonly of: string | undefined };
  xyz?: { readonly values: Map<string, number>; readonly of: string | undefined };
}

/**
 * Readings of a CxF3 text (ISO 17972-1): every object with a reflectance spectrum, CIELab or CIEXYZ. Entities, document types and what other
 * programs keep beside are no part of it and are passed over.
 * @throws FormatError naming the line
 */
export function parseCxf(text: string): MeasuredFile {
  const parser = new SaxesParser();
  const path: string[] = [];
  const specifications = new Map<string, Specification>();
  const objects: Found[] = [];
  let specification: Specification | undefined;
  let object: Found | undefined;
  let kept = "";
  let attributes: Record<string, string> = {};
  const wrong = (expected: string) => new FormatError(parser.line, expected);
  const number = (said: string): number => {
    const v = Number(said);
    if (said.trim() === "" || !Number.isFinite(v))
      throw wrong(`expected a number; found "${said.slice(0, 40)}"`);
    return v;
  };
  const told = (more: MeasuredHow) =>
    specification && (specification.how = { ...specification.how, ...more });

  parser.on("error", (e) => {
    throw wrong(`expected well-formed XML: ${e.message.replace(/^\d+:\d+: /, "").slice(0, 100)}`);
  });
  parser.on("opentag", (tag: SaxesTagPlain) => {
    const name = nameOf(tag.name);
    path.push(name);
    if (path.length > MOST_DEPTH) throw wrong(`expected at most ${MOST_DEPTH} elements within each other`);
    if (path.length === 1 && name !== "CxF")
      throw wrong(`expected a CxF document; found one of "${name.slice(0, 40)}"`);
    kept = "";
    attributes = tag.attributes;
    if (name === "ColorSpecification" && attributes.Id !== undefined) {
      specification = { how: {} };
      specifications.set(attributes.Id, specification);
    } else if (name === "WavelengthRange" && specification) {
      if (attributes.StartWL) specification.start = number(attributes.StartWL);
      if (attributes.Increment) specification.step = number(attributes.Increment);
    } else if (name === "Object") {
      object = {
        name: (attributes.Name ?? attributes.Id ?? `line ${parser.line}`).slice(0, LONGEST_WORD),
        line: parser.line,
        spectra: [],
      };
    } else if (object && name === "ColorCIELab")
      object.lab = { values: new Map(), of: attributes.ColorSpecification };
    else if (object && name === "ColorCIEXYZ")
      object.xyz = { values: new Map(), of: attributes.ColorSpecification };
    else if (object && name === "ReflectanceSpectrum")
      object.spectra.push({
        values: [],
        start: attributes.StartWL === undefined ? undefined : number(attributes.StartWL),
        of: attributes.ColorSpecification,
      });
  });
  const take = (piece: string) => {
    kept += piece;
    if (kept.length > MOST_TEXT) kept = kept.slice(0, MOST_TEXT);
  };
  parser.on("text", take);
  parser.on("cdata", take);
  parser.on("closetag", () => {
    const name = path.pop()!;
    const parent = path.at(-1);
    const said = kept.trim();
    kept = "";
    if (name === "Object") {
      if (object && (object.spectra.length || object.lab || object.xyz)) objects.push(object);
      if (objects.length > MOST_SAMPLES) throw wrong(`expected at most ${MOST_SAMPLES} samples`);
      object = undefined;
    } else if (name === "ColorSpecification") specification = undefined;
    else if (specification) {
      const word = said.slice(0, LONGEST_WORD);
      const condition = conditionIn(word);
      if (name === "Illuminant") told(lightIn(word));
      else if (name === "Observer") told({ ...(observerIn(word) && { observer: observerIn(word)! }) });
      else if (name === "DeviceIllumination" && condition) told({ condition });
      else if (name === "DeviceFilter" && word) told({ filter: word });
      else if (name === "Backing" && word) told({ backing: word });
      else if (name === "Model" && word) told({ device: word });
      else if (name === "IlluminationAngle" && word) told({ geometry: `${word}°` });
    } else if (object) {
      if (name === "ReflectanceSpectrum") {
        const values = said ? said.split(/\s+/).map(number) : [];
        object.spectra.at(-1)!.values.push(...values);
      } else if (parent === "ColorCIELab") object.lab!.values.set(name, number(said));
      else if (parent === "ColorCIEXYZ") object.xyz!.values.set(name, number(said));
    }
  });
  parser.write(text.replace(/^\uFEFF/, "")).close();
  if (!objects.length) throw new FormatError(0, "expected a CxF document with at least one measured object");
  return fileOf(objects, specifications);
}

function fileOf(objects: readonly Found[], specifications: ReadonlyMap<string, Specification>): MeasuredFile {
  const known = new Map<string, Resampling>();
  let bands: Resampling | undefined;
  let how: MeasuredHow = {};
  const samples = objects.map(({ name, line, spectra, lab, xyz }): MeasuredSample => {
    // Of several conditions the first counts: they are not mixed unasked.
    const [spectrum] = spectra;
    const of = specifications.get((spectrum ?? lab ?? xyz)!.of ?? "") ?? [...specifications.values()][0];
    how = { ...of?.how, ...how };
    let reflectance;
    if (spectrum) {
      const start = spectrum.start ?? of?.start ?? 380;
      const step = of?.step ?? 10;
      const key = `${start} ${step} ${spectrum.values.length}`;
      const own =
        known.get(key) ??
        resampling(
          spectrum.values.map((_, i) => start + step * i),
          line,
        );
      known.set(key, own);
      bands ??= own;
      reflectance = own.resample(spectrum.values);
      if (reflectance.some((r) => r < 0)) throw new FormatError(line, "expected reflectances of 0 or more");
    }
    const three = (from: Found["lab"], names: readonly string[]) => {
      const values = names.map((n) => from?.values.get(n));
      return values.every((v) => v !== undefined) ? (values as [number, number, number]) : undefined;
    };
    const [ownLab, ownXyz] = [three(lab, ["L", "A", "B"]), three(xyz, ["X", "Y", "Z"])];
    if (!reflectance && !ownLab && !ownXyz)
      throw new FormatError(line, `expected a spectrum, L A B or X Y Z of "${name}"`);
    return {
      name,
      line,
      ...(reflectance && { reflectance }),
      ...(ownLab && { lab: checked(ownLab, line) }),
      ...(ownXyz && { xyz: ownXyz }),
    };
  });
  return { samples: inShares(samples), how, ...(bands && { bands: rangeOf(bands) }) };
}
