"use client";
import { useRef, type ReactNode } from "react";
import { useFileDrop } from "./file-drop";

export const PICTURES =
  "image/png,image/jpeg,image/webp,image/gif,image/avif,image/tiff,.tif,.tiff,image/heic,image/heif,.heic";
/** Pictures that may be line art: drawings too. */
export const DRAWINGS = `${PICTURES},image/svg+xml,.svg,application/pdf,.pdf`;

/** A button that asks for files; they may be dropped anywhere on the page, or pasted, as well. The same file may be chosen twice. */
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
  const button = useRef<HTMLButtonElement>(null);
  useFileDrop(button, { accept, multiple, disabled, onFiles });
  return (
    <>
      <button
        ref={button}
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
