"use client";
import { useState, type ReactNode } from "react";
import dynamic from "next/dynamic";
import { later } from "./later";

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
  // Once it was open it stays, closed: it gives the focus back by itself.
  const [wasOpen, setWasOpen] = useState(props.open);
  if (props.open && !wasOpen) setWasOpen(true);
  return wasOpen && <OpenedModal {...props} />;
}
