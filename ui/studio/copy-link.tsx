"use client";
import { Copy } from "lucide-react";
import { useState } from "react";

/** A link that is told once, to be handed on. */
export function CopyLink({ link, note }: { readonly link: string; readonly note: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <div className="grid gap-1 border border-strong bg-panel p-2">
      <div className="flex items-center gap-2">
        <input
          className="field min-w-0 flex-1 font-mono"
          aria-label="Link"
          readOnly
          value={link}
          onFocus={(e) => e.target.select()}
        />
        <button
          type="button"
          className="button"
          onClick={() =>
            void navigator.clipboard.writeText(link).then(
              () => setCopied(true),
              () => undefined,
            )
          }
        >
          <Copy size={15} aria-hidden /> {copied ? "Copied" : "Copy"}
        </button>
      </div>
      <span className="text-[14px] text-soft">{note}</span>
    </div>
  );
}
