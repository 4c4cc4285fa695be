import { Link } from "react-router";

export function Brand() {
  return (
    <Link
      to="/"
      className="flex items-center gap-2 font-head text-[1.375rem] leading-none font-semibold text-verdigris italic"
    >
      <img src="/mark.svg" alt="" width={22} height={22} />
      Jolly Crust
    </Link>
  );
}
