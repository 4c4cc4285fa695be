import { Brand } from "~/parts/brand";
import { KeysList } from "~/parts/keys-list";

export const meta = () => [{ title: "Keys and words · Jolly Crust" }];

export default function Keys() {
  return (
    <div className="mx-auto max-w-4xl px-8 py-8">
      <Brand />
      <main>
        <h1 className="mt-6 mb-4 text-2xl">Keys and words</h1>
        <KeysList />
      </main>
    </div>
  );
}
