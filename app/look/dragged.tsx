import { DndContext, type DragMoveEvent, DragOverlay, useDraggable } from "@dnd-kit/core";
import { type ButtonHTMLAttributes, type ReactNode, useState } from "react";
import type { WishPlace } from "#core/look/spec";
import { WISH_PLACES } from "#core/look/spec";
import { useDragSensors } from "~/parts/drag-sensors";

/** A colour that can be picked, or dragged to a place of the corner. */
export interface Paint {
  /** what is wished for: a colour, a metal, the ground */
  value: string;
  name: string;
  colour: string;
}

/** Where the pointer is. */
function pointOf({ activatorEvent, delta }: DragMoveEvent): [x: number, y: number] {
  const from =
    "touches" in activatorEvent ? (activatorEvent as TouchEvent).touches[0]! : (activatorEvent as MouseEvent);
  return [from.clientX + delta.x, from.clientY + delta.y];
}

/** The place of the corner under the pointer: places are of every shape, so that the page is asked, not their boxes. */
function placeUnder(event: DragMoveEvent): WishPlace | null {
  const place = document.elementFromPoint(...pointOf(event))?.closest<HTMLElement>("[data-place]")?.dataset.place;
  return WISH_PLACES.find((known) => known === place) ?? null;
}

/** Lets colours be dragged onto places, by mouse and by finger. */
export function DraggedColours({
  onDrop,
  children,
}: {
  onDrop: (place: WishPlace, value: string) => void;
  /** what can be dragged, and what is dragged over now */
  children: (over: WishPlace | null) => ReactNode;
}) {
  const sensors = useDragSensors();
  const [dragged, setDragged] = useState<Paint | null>(null);
  const [over, setOver] = useState<WishPlace | null>(null);
  const end = () => {
    setDragged(null);
    setOver(null);
  };
  return (
    <DndContext
      id="look-colours"
      sensors={sensors}
      autoScroll={false}
      onDragStart={({ active }) => setDragged(active.data.current as Paint)}
      onDragMove={(event) => setOver(placeUnder(event))}
      onDragEnd={(event) => {
        const place = placeUnder(event);
        if (place) onDrop(place, (event.active.data.current as Paint).value);
        end();
      }}
      onDragCancel={end}
      accessibility={{ screenReaderInstructions: { draggable: "" } }}
    >
      {children(over)}
      <DragOverlay dropAnimation={null} style={{ pointerEvents: "none" }}>
        {dragged && <span className="look-dragged" style={{ background: dragged.colour }} />}
      </DragOverlay>
    </DndContext>
  );
}

/** A button that picks a colour, and can be dragged itself. */
export function PaintButton({ paint, ...button }: { paint: Paint } & ButtonHTMLAttributes<HTMLButtonElement>) {
  const { setNodeRef, listeners } = useDraggable({ id: `${paint.value} ${paint.name}`, data: { ...paint } });
  return <button ref={setNodeRef} type="button" {...listeners} {...button} />;
}
