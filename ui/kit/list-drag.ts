"use client";
import {
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type UniqueIdentifier,
} from "@dnd-kit/core";
import { sortableKeyboardCoordinates } from "@dnd-kit/sortable";

/** How lists are dragged: by mouse, by keys, and by a finger that has rested on a grip; one that swipes scrolls. */
export const useListSensors = () =>
  useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 220, tolerance: 10 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

/** What is said while something is dragged, by the names that are on the screen. */
export function spokenDrag(nameOf: (id: string) => string): {
  readonly announcements: Announcements;
  readonly screenReaderInstructions: { readonly draggable: string };
} {
  const name = (id: UniqueIdentifier) => nameOf(String(id));
  return {
    announcements: {
      onDragStart: ({ active }) => `${name(active.id)} is taken up.`,
      onDragOver: ({ active, over }) =>
        over
          ? `${name(active.id)} is at the place of ${name(over.id)}.`
          : `${name(active.id)} is over no place.`,
      onDragEnd: ({ active, over }) =>
        over && over.id !== active.id
          ? `${name(active.id)} was put at the place of ${name(over.id)}.`
          : `${name(active.id)} is back where it was.`,
      onDragCancel: ({ active }) => `${name(active.id)} is back where it was.`,
    },
    screenReaderInstructions: {
      draggable: "Space takes it up, arrow keys move it, Space puts it down, Escape leaves it where it was.",
    },
  };
}
