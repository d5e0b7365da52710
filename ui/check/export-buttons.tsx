"use client";
import type { Check } from "./use-check";

export function ExportButtons({ own: _own, pieceId: _id }: { readonly own: Check; readonly pieceId: string }) {
  return null;
}
