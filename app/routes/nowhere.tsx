import { troubleResponse } from "~/http/trouble.server";

export function loader() {
  throw troubleResponse(
    404,
    "Page not found",
    "The address may be incomplete. You can reach everything from the jobs list.",
  );
}

export default function Nowhere() {
  return null;
}
