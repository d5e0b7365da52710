import { Slider } from "@/ui/kit/slider";

/** A slider with its name before it and what it stands at behind, as three cells of a grid. */
export function Setting({
  label,
  value,
  says,
  least = 0,
  most = 1,
  step = 0.05,
  onChange,
  onMove,
}: {
  readonly label: string;
  readonly value: number;
  readonly says: string;
  readonly least?: number;
  readonly most?: number;
  readonly step?: number;
  readonly onChange: (value: number) => void;
  readonly onMove?: (value: number) => void;
}) {
  return (
    <>
      <span className="text-[15px]">{label}</span>
      <Slider
        label={label}
        value={value}
        least={least}
        most={most}
        step={step}
        onChange={onChange}
        {...(onMove && { onMove })}
        says={says}
        className="w-full"
      />
      <span className="min-w-16 text-[14px] text-soft">{says}</span>
    </>
  );
}
