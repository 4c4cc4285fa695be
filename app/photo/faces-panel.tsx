import { measurePhoto } from "#core/photo/measure";
import type { PhotoFace, PiecePhoto } from "#core/plan/photo-marks";
import { AddFace } from "./add-face";
import { FaceLine } from "./face-line";
import { TakeMeasures } from "./take-measures";

interface Props {
  marks: PiecePhoto;
  chosen: PhotoFace | undefined;
  linkTo: (faceId: string) => string;
  pointing: boolean;
  onPointing: (on: boolean) => void;
  trouble: string | null;
}

/** The faces that are marked on a photo, what they measure, and what is wrong with them. */
export function FacesPanel({ marks, chosen, linkTo, pointing, onPointing, trouble }: Props) {
  const measured = measurePhoto(marks);
  return (
    <>
      <div className="px-3 pt-3 pb-3">
        <h2 className="mb-1 text-lg">Faces</h2>
        <AddFace marks={marks} onAdded={() => onPointing(true)} />
        {chosen && (
          <button
            type="button"
            className="button mt-2 w-full"
            aria-pressed={pointing}
            onClick={() => onPointing(!pointing)}
          >
            {pointing
              ? `Now press on the four corners of ${chosen.name} in the photo`
              : `Point at the four corners of ${chosen.name}`}
          </button>
        )}
        {trouble && (
          <p role="alert" className="mt-2 border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
            {trouble}
          </p>
        )}
      </div>
      {marks.faces.length === 0 ? (
        <p className="px-3 pb-3 text-soft">
          None yet. Add the front, press on its four corners, then give a length that you measured with a tape.
        </p>
      ) : (
        <ul className="border-t border-line">
          {marks.faces.map((face) => (
            <FaceLine
              key={face.id}
              face={face}
              measured={measured}
              marks={marks}
              chosen={face.id === chosen?.id}
              to={linkTo(face.id)}
            />
          ))}
        </ul>
      )}
      <TakeMeasures />
    </>
  );
}
