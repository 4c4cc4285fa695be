import { Link } from "react-router";
import type { Measured } from "#core/photo/measure";
import type { PhotoFace, PiecePhoto } from "#core/plan/photo-marks";
import { ChosenFace } from "./chosen-face";
import { BY_WORDS, LOOKS_WORDS, saySize } from "./face-words";

interface FaceLineProps {
  marks: PiecePhoto;
  face: PhotoFace;
  measured: Measured;
  chosen: boolean;
  to: string;
}

export function FaceLine({ marks, face, measured, chosen, to }: FaceLineProps) {
  const size = measured.sizes.find(({ faceId }) => faceId === face.id);
  const faults = measured.faults.filter(({ faceId }) => faceId === face.id);
  return (
    <li>
      <Link
        to={to}
        replace
        preventScrollReset
        aria-current={chosen ? "true" : undefined}
        className={`block border-b border-l-[3px] border-b-hair py-1.5 pr-2 pl-3 ${chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
      >
        <span className="flex items-baseline gap-2">
          <b className="min-w-0 flex-1 truncate font-semibold">{face.name}</b>
          <span className="shrink-0 text-note">
            {face.asItIs ? "left as it is" : size ? saySize(size) : "no size yet"}
          </span>
        </span>
        {size && !face.asItIs && (
          <span className="block text-note text-soft">
            looks {LOOKS_WORDS[face.looks]}, {BY_WORDS[size.by]}
          </span>
        )}
      </Link>
      {faults.map(({ says }) => (
        <p key={says} role="alert" className="border-l-4 border-l-ochre bg-board px-3 py-1.5 text-note text-ochre">
          {says.replace(`${face.name}: `, "")}
        </p>
      ))}
      {chosen && <ChosenFace marks={marks} face={face} />}
    </li>
  );
}
