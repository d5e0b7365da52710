"use client";
import { useEffect, type InputHTMLAttributes, type ReactNode } from "react";

type InputProps = InputHTMLAttributes<HTMLInputElement>;

/** A labelled line to type into. */
export function Line({
  says,
  note,
  ...input
}: InputProps & { readonly says: string; readonly note?: ReactNode }) {
  return (
    <label className="grid min-w-0 gap-1 text-[15px]">
      {says}
      <input className="field min-w-0" {...input} />
      {note && <span className="text-[14px] text-soft">{note}</span>}
    </label>
  );
}

/** A labelled choice. */
export function Choice<T extends string>({
  says,
  value,
  options,
  onChange,
  disabled,
}: {
  readonly says: string;
  readonly value: T;
  readonly options: Readonly<Record<T, string>>;
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
}) {
  return (
    <label className="grid min-w-0 gap-1 text-[15px]">
      {says}
      <select
        className="field w-full min-w-0"
        value={value}
        disabled={disabled}
        onChange={(e) => onChange(e.target.value as T)}
      >
        {(Object.keys(options) as T[]).map((o) => (
          <option key={o} value={o}>
            {options[o]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What went wrong with a form. */
export const FormError = ({ error }: { readonly error: string | undefined }) =>
  error ? (
    <p role="alert" className="m-0 border-l-4 border-strong bg-panel py-1 pl-3 text-[15px]">
      {error}
    </p>
  ) : null;

/** A page that stands in no studio: its name, a heading and one column. */
export function Outside({
  title,
  children,
  wide = false,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly wide?: boolean;
}) {
  useEffect(() => {
    // Says that the page listens: what is typed or clicked before would be lost.
    document.documentElement.dataset.ready = "true";
  }, []);
  return (
    <main id="main" className={`mx-auto px-4 py-10 ${wide ? "max-w-5xl" : "max-w-md"}`}>
      <p className="m-0 text-[26px] font-bold tracking-tight">Blendt</p>
      <h1 className="mt-1 mb-5 text-[22px]">{title}</h1>
      {children}
    </main>
  );
}
