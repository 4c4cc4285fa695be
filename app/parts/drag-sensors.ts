import { MouseSensor, TouchSensor, useSensor, useSensors } from "@dnd-kit/core";

/** How far a pointer goes before it drags, in pixels, and how long a finger rests first: a short touch scrolls. */
const DRAGS_FROM = { distance: 6 } as const;
const RESTS_FIRST = { delay: 250, tolerance: 8 } as const;

/** What is dragged by mouse or finger; the keyboard has its own way to the same. */
export const useDragSensors = () =>
  useSensors(
    useSensor(MouseSensor, { activationConstraint: DRAGS_FROM }),
    useSensor(TouchSensor, { activationConstraint: RESTS_FIRST }),
  );
