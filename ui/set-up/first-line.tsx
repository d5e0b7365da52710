"use client";
import { ImageUp } from "lucide-react";
import Link from "next/link";
import { DRAWINGS, FileButton } from "@/ui/kit/file-button";

/** Where there is no line yet: bring it in. */
export function FirstLine({
  onTake,
  onReference,
  withoutHref,
}: {
  readonly onTake: (file: File) => void;
  readonly onReference: (() => void) | undefined;
  /** Where one goes on without. */
  readonly withoutHref: string;
}) {
  return (
    <div
      className="flex min-h-60 flex-col items-start justify-center gap-3 border border-dashed border-strong p-8"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const [file] = e.dataTransfer.files;
        if (file) onTake(file);
      }}
    >
      <p className="m-0 max-w-[46ch] text-[17px]">
        Bring in what you will colour: a scan or photo of the stamped or drawn sheet, a drawing in SVG, or a
        pale sketch. A photo may lie on the table; its sheet is found.
      </p>
      <FileButton main label="Choose the picture of the line" accept={DRAWINGS} onFiles={([f]) => onTake(f!)}>
        <ImageUp size={18} aria-hidden /> Choose the picture of the line
      </FileButton>
      {onReference && (
        <button className="button" onClick={onReference}>
          The outlines of the reference will do
        </button>
      )}
      <Link className="button" href={withoutHref}>
        Go on without a drawing
      </Link>
    </div>
  );
}
