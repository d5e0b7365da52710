"use client";
import { useRef, type ReactNode } from "react";

export const PICTURES = "image/png,image/jpeg,image/webp";
/** Pictures that may be line art: drawings too. */
export const DRAWINGS = `${PICTURES},image/svg+xml,.svg`;

/** A button that asks for files. The same file may be chosen twice. */
export function FileButton({
  label,
  accept,
  onFiles,
  children,
  multiple = false,
  disabled = false,
  main = false,
  bare = false,
}: {
  readonly label: string;
  readonly accept: string;
  readonly onFiles: (files: readonly File[]) => void;
  readonly children: ReactNode;
  readonly multiple?: boolean;
  readonly disabled?: boolean;
  readonly main?: boolean;
  readonly bare?: boolean;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button
        type="button"
        className={bare ? "button-bare" : main ? "button button-main" : "button"}
        disabled={disabled}
        title={bare ? label : undefined}
        aria-label={bare ? label : undefined}
        onClick={() => input.current?.click()}
      >
        {children}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        multiple={multiple}
        // Only the button is met, by hand, by keys and by ear; the label finds it in tests.
        className="hidden"
        aria-label={bare ? `${label}: file` : label}
        disabled={disabled}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])];
          e.target.value = "";
          if (files.length) onFiles(files);
        }}
      />
    </>
  );
}
