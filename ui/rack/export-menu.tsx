"use client";
import { ChevronDown } from "lucide-react";
import { ActionMenu } from "@/ui/kit/action-menu";

const FILES = [
  ["csv", "CSV, a row each"],
  ["xlsx", "Spreadsheet (XLSX), with its colours"],
  ["ods", "Spreadsheet (ODS), with its colours"],
  ["json", "JSON, with everything"],
  ["gpl", "GIMP palette, one coat"],
  ["ase", "ASE palette, one coat"],
  ["aco", "ACO palette, one coat"],
  ["soc", "Office palette, one coat"],
  ["sbz", "Swatch book, one coat"],
  ["css", "CSS variables, one coat"],
  ["cgats", "CGATS.17, all readings on this paper"],
  ["chart", "Chart to pin up (PDF)"],
  ["labels", "Labels for the shelf (PDF)"],
] as const;

/** The rack as a file of one of the formats. */
export function ExportMenu({ paperId }: { paperId: string }) {
  return (
    <ActionMenu
      className="button"
      anchor="bottom end"
      entries={FILES.map(([format, says]) => ({
        id: format,
        content: says,
        href: `/api/rack?format=${format}&paper=${paperId}`,
        download: true,
      }))}
    >
      Save as <ChevronDown size={16} aria-hidden />
    </ActionMenu>
  );
}
