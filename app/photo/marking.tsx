import { useEffect, useRef, useState } from "react";
import { Form, useNavigate, useSearchParams } from "react-router";
import type { PiecePhoto } from "#core/plan/photo-marks";
import type { Photo } from "#db/photos";
import { useJob } from "~/editor/job-editor";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { FacesPanel } from "~/photo/faces-panel";
import { Marker } from "~/photo/marker";
import { AddPhoto, Restore } from "./add-photo";
import { PhotoHead } from "./photo-head";
import { PANES, photoSrc } from "./view-of";

export function Marking({ photo, marks }: { photo: Photo; marks: PiecePhoto }) {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const [pointing, setPointing] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const chosen = marks.faces.find(({ id }) => id === params.get("face")) ?? marks.faces[0];
  const linkTo = (faceId: string) => {
    const next = new URLSearchParams(params);
    next.set("face", faceId);
    return `?${next}`;
  };
  useKey(KEYS.photo.keys.stop, () => setPointing(false));
  // whoever changes the face in another way is done with pointing
  const before = useRef(chosen);
  useEffect(() => {
    if (before.current?.id === chosen?.id && before.current !== chosen) setPointing(false);
    before.current = chosen;
  }, [chosen]);
  return (
    <div className="panes" style={PANES}>
      <section aria-label="Marks on the photo" className="pane photo-main">
        <PhotoHead photo={photo} />
        <Marker
          src={photoSrc(plan.id, photo.id)}
          alt={photo.note || "The piece as it is"}
          marks={marks}
          chosen={chosen}
          onChoose={(faceId) => navigate(linkTo(faceId), { replace: true, preventScrollReset: true })}
          pointing={pointing && chosen !== undefined}
          onPointed={() => setPointing(false)}
          onTrouble={setTrouble}
        />
        <div className="mt-2 flex flex-wrap items-start gap-x-6 gap-y-2">
          <p className="min-w-0 flex-1 text-note text-soft">
            Drag the corners, or choose one with Tab and move it with the arrow keys: a pixel, with Shift ten.
          </p>
          <details>
            <summary className="text-note font-semibold text-verdigris">Another photo</summary>
            <div className="pt-2">
              <AddPhoto first={false} />
            </div>
          </details>
          <Form method="post" encType="multipart/form-data">
            <input type="hidden" name="do" value="remove photo" />
            <input type="hidden" name="photo" value={photo.id} />
            <button className="link text-note text-soft">Remove this photo</button>
          </Form>
          <Restore />
        </div>
      </section>
      <aside aria-label="Faces of the photo" className="pane photo-aside pb-6">
        <FacesPanel
          marks={marks}
          chosen={chosen}
          linkTo={linkTo}
          pointing={pointing}
          onPointing={setPointing}
          trouble={trouble}
        />
      </aside>
    </div>
  );
}
