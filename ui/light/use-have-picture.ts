"use client";
import { useEffect, useState } from "react";
import type { PictureFacts } from "@/store/pictures";
import { havePicture } from "@/ui/jobs/client";
import { asked } from "@/ui/set-up/use-drawing";

/** A picture once it lies decoded beside the desk, so that operations on a desk may name it. */
export function useHavePicture(picture: PictureFacts | undefined): PictureFacts | undefined {
  const [had, setHad] = useState<string>();
  useEffect(() => {
    if (!picture) return;
    let gone = false;
    havePicture(asked(picture), { place: "desk" }).then(
      () => !gone && setHad(picture.id),
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [picture]);
  return picture && had === picture.id ? picture : undefined;
}
