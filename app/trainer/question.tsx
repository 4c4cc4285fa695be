import { ArrowDown, ArrowUp } from "lucide-react";
import { useState } from "react";
import { findFinish } from "#core/finishes/finishes";
import { pictureOf } from "#core/finishes/picture";
import type { Choice, Part } from "#core/trainer/drill";
import type { Asked } from "~/http/trainer.server";

const Dab = ({ colour }: { colour: string | undefined }) =>
  colour === undefined ? null : <span className="drill-dab" style={{ background: colour }} aria-hidden="true" />;

/** What a question is about: a stack from the top down, a board, or a colour. */
export function Shown({ drill: { stack, board, colour } }: { drill: Pick<Asked, "stack" | "board" | "colour"> }) {
  const finish = board ? findFinish(board.finish) : undefined;
  return (
    <>
      {stack && (
        <ol className="drill-stack" aria-label="The stack, from the top down">
          {[...stack.steps].reverse().map(({ id, says, colour: own }, index) => (
            <li key={id}>
              <span
                className="drill-dab"
                style={own ? { background: own } : { visibility: "hidden" }}
                aria-hidden="true"
              />
              <span className="text-note text-soft">{stack.steps.length - index}</span> {says}
            </li>
          ))}
          <li className="text-soft">on {stack.ground.toLowerCase()}</li>
        </ol>
      )}
      {finish && board && (
        <img
          src={pictureOf(finish, board.panel)}
          alt="The board to read"
          width={480}
          height={320}
          className="drill-board"
        />
      )}
      {colour && (
        <div className="drill-colour" style={{ background: colour }} role="img" aria-label={`The colour ${colour}`} />
      )}
    </>
  );
}

function Choose({ part, name, first }: { part: Part; name: string; first: boolean }) {
  return (
    <div className="drill-choices">
      {part.choices.map((choice, index) => (
        <label key={choice.id} className="drill-choice">
          <input type="radio" name={name} value={choice.id} required data-key={first ? index + 1 : undefined} />
          <Dab colour={choice.colour} />
          <span>
            {first && <span className="drill-key">{index + 1}</span>} {choice.says}
          </span>
        </label>
      ))}
    </div>
  );
}

function Order({ part, name, at }: { part: Part; name: string; at: number }) {
  const [order, setOrder] = useState<readonly Choice[]>(part.choices);
  const [byHand, setByHand] = useState(false);
  const move = (from: number, to: number) => {
    if (to < 0 || to >= order.length) return;
    const next = [...order];
    const [one] = next.splice(from, 1);
    next.splice(to, 0, one!);
    setOrder(next);
    setByHand(true);
  };
  return (
    <ol className="drill-choices">
      <input type="hidden" name={name} value={byHand ? order.map(({ id }) => id).join(" ") : ""} />
      {order.map(({ id, says, colour }, place) => (
        <li key={id} className="drill-choice">
          <Dab colour={colour} />
          <span className="grow">{says}</span>
          <noscript>
            <select
              name={`place${at}-${id}`}
              defaultValue={place + 1}
              aria-label={`Place of ${says}`}
              className="field w-16"
            >
              {order.map((other, number) => (
                <option key={other.id}>{number + 1}</option>
              ))}
            </select>
          </noscript>
          <button
            type="button"
            className="drill-move"
            disabled={place === 0}
            aria-label={`Earlier: ${says}`}
            onClick={() => move(place, place - 1)}
          >
            <ArrowUp size={18} strokeWidth={1.75} aria-hidden="true" />
          </button>
          <button
            type="button"
            className="drill-move"
            disabled={place === order.length - 1}
            aria-label={`Later: ${says}`}
            onClick={() => move(place, place + 1)}
          >
            <ArrowDown size={18} strokeWidth={1.75} aria-hidden="true" />
          </button>
        </li>
      ))}
    </ol>
  );
}

/** The parts of a question, to be answered. */
export function Question({ drill }: { drill: Asked }) {
  return drill.parts.map((part, index) => (
    <fieldset key={part.asks} className="mt-4">
      <legend className="mb-2 font-head text-lg font-semibold">{part.asks}</legend>
      {part.is === "choose" ? (
        <Choose part={part} name={`part${index}`} first={index === 0} />
      ) : (
        <Order key={drill.id + drill.seed} part={part} name={`part${index}`} at={index} />
      )}
    </fieldset>
  ));
}
