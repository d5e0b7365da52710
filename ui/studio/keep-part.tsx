"use client";
import { Download } from "lucide-react";
import { useState } from "react";
import { FileButton } from "@/ui/kit/file-button";
import { enterStudio, messageOf, send } from "@/ui/send";
import { FormError } from "./fields";
import { Part } from "./part";

/** Everything of the studio as one file of open formats, and such a file as a new studio. */
export function KeepPart() {
  const [state, setState] = useState<{ busy: boolean; error?: string }>({ busy: false });
  const bring = (file: File) => {
    setState({ busy: true });
    // Whatever the system calls its type.
    const zip = new Blob([file], { type: "application/zip" });
    send<{ id: string }>("POST", "/api/studios/import", zip).then(
      ({ id }) => {
        enterStudio(id);
        location.assign("/");
      },
      (e: unknown) => setState({ busy: false, error: messageOf(e) }),
    );
  };
  return (
    <Part title="Take everything along">
      <p className="m-0 text-[15px]">
        One zip of open formats: the rack and every reading as CSV and CGATS, pictures as they came, pieces,
        charts and groups as JSON. Brought in again, here or elsewhere, it becomes a studio of its own.
      </p>
      <div className="flex flex-wrap gap-2">
        <a className="button" href="/api/studio/export" download>
          <Download size={16} aria-hidden /> Export this studio
        </a>
        <FileButton
          label="Bring in a studio"
          accept=".zip,application/zip"
          disabled={state.busy}
          onFiles={([file]) => file && bring(file)}
        >
          {state.busy ? "Bringing it in…" : "Bring in a studio"}
        </FileButton>
      </div>
      <FormError error={state.error} />
    </Part>
  );
}
