// Lists visible strings that use a word marked "don't write" in docs/words.md, and strings that break its rules of form.
import fs from "node:fs";
import path from "node:path";
import ts from "typescript";
import { inRoot } from "./paths.mjs";

/** What people read: the interface, and the reasons and cautions of core's tables. */
const SHOWN = ["web/src", "core/src/care", "core/src/run/stepFacts.ts", "core/src/run/cautions.ts"];
/** Not shown: names of classes and of attributes, keys of maps. */
/** Stands for what a template puts in. */
const SLOT = "□";
const HIDDEN_ATTRIBUTES = new Set(["className", "style", "d", "key", "to", "id", "type", "role", "viewBox"]);

function filesBelow(place) {
  const whole = inRoot(place);
  if (fs.statSync(whole).isFile()) return [whole];
  return fs.readdirSync(whole, { withFileTypes: true, recursive: true }).flatMap((entry) => {
    const file = path.join(entry.parentPath, entry.name);
    return entry.isFile() && /\.tsx?$/.test(file) && !/\.test\.tsx?$|\/testing\//.test(file) ? [file] : [];
  });
}

/** The left column of the table under "Checked by machine", one phrase each. */
function bannedPhrases() {
  const text = fs.readFileSync(inRoot("docs/words.md"), "utf8");
  const table = text.slice(text.indexOf("## Checked by machine"));
  return table
    .split("\n")
    .filter((line) => line.startsWith("| ") && !/^\| (don’t write|---)/.test(line))
    .flatMap((line) => (line.split("|")[1] ?? "").split(",").map((phrase) => phrase.trim()));
}

/** Every string of a file that may be read: texts between tags, literals and templates with a space or a capital. */
function visibleStrings(file) {
  const source = ts.createSourceFile(file, fs.readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const found = [];
  const note = (node, text) => {
    const line = source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1;
    found.push({ line, text: text.replace(/\s+/g, " ").trim() });
  };
  const isSentence = (text) => /[a-z]/.test(text) && (/ /.test(text.trim()) || /^[A-Z]/.test(text));
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    // Headings of files that an earlier version wrote are only read.
    if (ts.isPropertyAssignment(node) && node.name.getText(source) === "formerly") return;
    if (ts.isJsxAttribute(node) && HIDDEN_ATTRIBUTES.has(node.name.getText(source))) return;
    if (ts.isJsxText(node)) note(node, node.text);
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (isSentence(node.text)) note(node, node.text);
    } else if (ts.isTemplateExpression(node)) {
      const text = [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join(SLOT);
      if (isSentence(text)) note(node, text);
      for (const { expression } of node.templateSpans) visit(expression);
      return;
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found.filter(({ text }) => text !== "");
}

const phrases = bannedPhrases();
if (phrases.length < 20)
  throw new Error("docs/words.md: the table under “Checked by machine” can't be read.");
const patterns = phrases.map((phrase) => [
  phrase,
  new RegExp(`(?<![\\p{L}-])${phrase.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}(?![\\p{L}-])`, "iu"),
]);
const FORM = [
  ["a space before …", / …/u],
  ["a space before %", /\d\s%/u],
];
const problems = SHOWN.flatMap(filesBelow).flatMap((file) =>
  visibleStrings(file).flatMap(({ line, text }) =>
    [...patterns, ...FORM]
      .filter(([, pattern]) => pattern.test(text))
      .map(([phrase]) => `${path.relative(inRoot(), file)}:${line} “${text.slice(0, 90)}”: ${phrase}`),
  ),
);
if (problems.length > 0) {
  console.error(problems.join("\n"));
  console.error(`${problems.length} strings use words that docs/words.md marks. Use the word beside them.`);
  process.exit(1);
}
