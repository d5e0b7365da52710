"use client";
import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { X } from "lucide-react";
import type { ModalProps } from "./modal";

/** A dialog over the page, once there was one to show. */
export function OpenedModal({ open, title, onClose, children, wide = false }: ModalProps) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-black/50" />
      <div className="fixed inset-0 overflow-y-auto p-4">
        <DialogPanel
          className={`mx-auto mt-[6vh] border border-strong bg-ground p-4 ${wide ? "max-w-3xl" : "max-w-xl"}`}
        >
          <div className="mb-3 flex items-center justify-between gap-4">
            <DialogTitle className="m-0 text-[19px]">{title}</DialogTitle>
            <button className="button-bare" onClick={onClose} aria-label="Close">
              <X size={20} aria-hidden />
            </button>
          </div>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
