import { readFileSync } from "node:fs";
import ts from "typescript";

/** A piece of text in a source file. Placeholders of a template read as "…". */
export interface Text {
  file: string;
  line: number;
  text: string;
  kind: "sentence" | "comment";
}

/** Module paths, class names and keys are not read by anybody. */
const NOT_READ = new Set([
  "className",
  "class",
  "id",
  "key",
  "href",
  "to",
  "d",
  "viewBox",
  "transform",
  "htmlFor",
  "type",
  "form",
]);

function isRead(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent) || ts.isImportTypeNode(parent)) return false;
  if (ts.isLiteralTypeNode(parent) || ts.isExternalModuleReference(parent)) return false;
  for (let at: ts.Node = parent; at && !ts.isStatement(at); at = at.parent) {
    if (ts.isJsxAttribute(at)) return !NOT_READ.has(at.name.getText());
    if (ts.isJsxElement(at) || ts.isJsxFragment(at)) break;
  }
  return true;
}

function spread(template: ts.TemplateExpression): string {
  return template.head.text + template.templateSpans.map(({ literal }) => `…${literal.text}`).join("");
}

/** Every sentence (strings with a space, text between tags) and every comment of a TypeScript file. */
export function textsOf(file: string): Text[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const found: Text[] = [];
  const lineOf = (at: number) => source.getLineAndCharacterOfPosition(at).line + 1;
  const add = (kind: Text["kind"], index: number, raw: string) => {
    const text = raw.replace(/\s+/g, " ").trim();
    if (/\p{L}{2}/u.test(text) && (kind === "comment" || /\s/.test(text) || /^\p{Lu}/u.test(text)))
      found.push({ file, line: lineOf(index), text, kind });
  };
  const comments = new Set<number>();
  const visit = (node: ts.Node) => {
    for (const { pos, end } of ts.getLeadingCommentRanges(source.text, node.pos) ?? [])
      if (!comments.has(pos)) {
        comments.add(pos);
        add(
          "comment",
          pos,
          source.text
            .slice(pos, end)
            .replace(/^\s*(\/\*\*?|\*\/|\*|\/\/)/gm, "")
            .replace(/\*\/$/, ""),
        );
      }
    if (ts.isTemplateExpression(node)) {
      if (isRead(node)) add("sentence", node.getStart(), spread(node));
    } else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (isRead(node)) add("sentence", node.getStart(), node.text);
    } else if (ts.isJsxText(node)) add("sentence", node.getStart(), node.text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
