import { Form, useNavigation } from "react-router";
import type { ShelfBook } from "#core/shelf/book";
import { TextField } from "~/forms/edit-form-parts";
import { FileChoice } from "~/parts/file-choice";
import { Hidden, type Loaded, useAnswer } from "./answers";

export function Suppliers({ loaded }: { loaded: Loaded }) {
  const added = useAnswer("supplier", ["supplierId", ""]);
  const to = "/shelf/prices";
  return (
    <section aria-label="Suppliers" className="border border-line bg-board px-4 py-3">
      <h2 className="mb-1 text-lg">Suppliers</h2>
      <ul key={loaded.version}>
        {loaded.book.suppliers.map((supplier) => (
          <Supplier key={supplier.id} supplier={supplier} version={loaded.version} />
        ))}
      </ul>
      <Form
        method="post"
        className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2"
        aria-label="Add a supplier"
      >
        <Hidden does="supplier" to={to} version={loaded.version} more={{ supplierId: "" }} />
        <TextField
          name="supplier"
          label="Another supplier"
          value={added?.values.supplier ?? ""}
          fault={added?.faults.supplier ?? added?.faults[""]}
        />
        <button className="button">Add</button>
      </Form>
    </section>
  );
}

function Supplier({ supplier, version }: { supplier: ShelfBook["suppliers"][number]; version: number }) {
  const answer = useAnswer("supplier", ["supplierId", supplier.id]);
  return (
    <li className="border-b border-hair py-1">
      <details open={answer !== null}>
        <summary className="cursor-pointer">
          {supplier.name} {supplier.note && <span className="text-note text-soft">· {supplier.note}</span>}
        </summary>
        <Form method="post" className="my-2 grid grid-cols-2 gap-2" aria-label={supplier.name}>
          <Hidden does="supplier" to="/shelf/prices" version={version} more={{ supplierId: supplier.id }} />
          <TextField
            name="supplier"
            label="Name"
            value={answer?.values.supplier ?? supplier.name}
            fault={answer?.faults.supplier ?? answer?.faults[""]}
          />
          <TextField name="supplierNote" label="Note" value={answer?.values.supplierNote ?? supplier.note ?? ""} />
          <button className="button">Save</button>
          <button className="button" name="way" value="remove">
            Remove, with its packs
          </button>
        </Form>
      </details>
    </li>
  );
}

export function Files({ loaded }: { loaded: Loaded }) {
  const prices = useAnswer("import prices");
  const stock = useAnswer("import stock");
  const busy = useNavigation().formData?.get("do");
  return (
    <section aria-label="Files" className="border border-line bg-board px-4 py-3">
      <h2 className="text-lg">CSV files</h2>
      <p className="text-note text-soft">For a spreadsheet. A file with a wrong line is not imported at all.</p>
      {(
        [
          ["import prices", "Packs and prices", "/shelf/prices.csv", prices],
          ["import stock", "Tins on the shelf", "/shelf/stock.csv", stock],
        ] as const
      ).map(([does, name, href, answer]) => (
        <Form key={does} method="post" encType="multipart/form-data" className="mt-2" aria-label={`Import: ${name}`}>
          <Hidden
            does={does}
            to="/shelf/prices"
            version={loaded.version}
            more={{ movement: `${loaded.token}${does === "import stock" ? "s" : "p"}` }}
          />
          <p className="flex justify-between">
            <b className="font-semibold">{name}</b>
            <a href={href} download className="link">
              Export
            </a>
          </p>
          <p className="mt-1 flex items-center gap-2">
            <FileChoice name="file" accept=".csv,text/csv" label={`CSV file: ${name}`} />
            <button className="button" disabled={busy === does}>
              {busy === does ? "Reading …" : "Import"}
            </button>
          </p>
          {answer?.lines && (
            <ul role="alert" className="mt-1 list-disc pl-4 text-note text-ochre">
              {answer.lines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          )}
        </Form>
      ))}
    </section>
  );
}
