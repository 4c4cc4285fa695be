import { troubleResponse } from "~/http/trouble.server";

export function loader() {
  throw troubleResponse(404, "There is no such page", "The address may be cut short. The jobs list leads everywhere.");
}

export default function Nowhere() {
  return null;
}
