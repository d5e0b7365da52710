"use client";
import type { ReactNode } from "react";
import dynamic from "next/dynamic";
import { later, useEver } from "./later";

export interface ModalProps {
  readonly open: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
}

const OpenedModal = dynamic(
  later(() => import("./opened-modal").then((m) => m.OpenedModal)),
  { ssr: false },
);

/** A dialog over the page. */
export function Modal(props: ModalProps) {
  return useEver(props.open) && <OpenedModal {...props} />;
}
