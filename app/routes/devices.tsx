import QRCode from "qrcode";
import { data } from "react-router";
import { addCode, listDevices, nameDevice, putOut, ROLES } from "#db/devices";
import { afterPaint } from "~/first/after-paint";
import { fieldsOf } from "~/forms/fields";
import { CODE_LASTS, digestOf, isFromNetwork, newCode } from "~/http/access.server";
import { readForm } from "~/http/body.server";
import { openDoor } from "~/http/door.server";
import { withStore } from "~/http/trouble.server";
import { askForNetwork } from "~/http/written.server";
import { todayNow } from "~/shelf/today";
import type { Route } from "./+types/devices";

export const loader = ({ request }: Route.LoaderArgs) =>
  withStore(async (store) => ({
    door: openDoor(),
    here: !isFromNetwork(request),
    devices: (await listDevices(store)).map(({ id, name, role, pairedAt, seenAt, putOutAt }) => ({
      id,
      name,
      role,
      paired: todayNow(pairedAt),
      seen: todayNow(seenAt),
      out: putOutAt ? todayNow(putOutAt) : null,
    })),
  }));

const OPENING_MILLISECONDS = 2500;

export async function action({ request }: Route.ActionArgs) {
  const fields = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    if (fields.do === "open") {
      if (!askForNetwork())
        return data(
          { says: "This only works on the shop's own server: npm run shop.", pairing: null },
          { status: 422 },
        );
      for (const end = Date.now() + OPENING_MILLISECONDS; Date.now() < end && openDoor() === null; )
        await new Promise((done) => setTimeout(done, 50));
      return data({ says: openDoor() ? null : "It could not be opened. The terminal says why.", pairing: null });
    }
    if (fields.do === "put out") {
      await putOut(store, fields.device ?? "");
      return data({ says: null, pairing: null });
    }
    if (fields.do === "name") {
      const name = (fields.name ?? "").trim().slice(0, 40);
      if (name === "") return data({ says: "Write a name for the device.", pairing: null }, { status: 422 });
      await nameDevice(store, fields.device ?? "", name);
      return data({ says: null, pairing: null });
    }
    const role = ROLES.find((role) => role === fields.role);
    if (!role) return data({ says: "Choose what the device may do.", pairing: null }, { status: 422 });
    const code = newCode();
    await addCode(store, { digest: digestOf(code), role, endsAt: new Date(Date.now() + CODE_LASTS) });
    const address = openDoor()?.addresses[0] ?? null;
    const link = address ? `${address}/pair?code=${code}` : null;
    return data({
      says: null,
      pairing: {
        code,
        role,
        link,
        picture: link ? await QRCode.toDataURL(link, { margin: 1, width: 260, errorCorrectionLevel: "M" }) : null,
      },
    });
  });
}

export const meta = () => [{ title: "Devices · Jolly Crust" }];

export default afterPaint(() => import("~/views/devices"));
