// Words that stand in a component instead of its catalogue (text.ts): what is shown comes from there, so that it can be said in another language.
import { readdirSync, readFileSync } from "node:fs";
import ts from "typescript";

const SHOWN = new Set(["title", "aria-label", "placeholder", "label", "hint", "alt", "legend", "empty"]);
const WORD = /[A-Za-z]{2,}/;

const isText = (node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node);
const written = (node) =>
  ts.isTemplateExpression(node)
    ? [node.head.text, ...node.templateSpans.map((span) => span.literal.text)].join(" ")
    : node.text;

/** Whether what the expression gives is shown: a child of an element, or an attribute that is read. */
function isShown(node) {
  for (let child = node, above = node.parent; above; child = above, above = above.parent) {
    if (ts.isJsxAttribute(above)) return SHOWN.has(above.name.getText());
    if (ts.isJsxExpression(above)) {
      if (!ts.isJsxAttribute(above.parent)) return true;
    } else if (ts.isConditionalExpression(above)) {
      if (above.condition === child) return false;
    } else if (ts.isBinaryExpression(above)) {
      if (/Equals|InKeyword/.test(ts.SyntaxKind[above.operatorToken.kind])) return false;
    } else if (!ts.isParenthesizedExpression(above) && !ts.isTemplateSpan(above) && !isText(above)) {
      return false;
    }
  }
  return false;
}

const found = [];
for (const name of readdirSync("src", { recursive: true }).filter((f) => f.endsWith(".tsx"))) {
  const file = ts.createSourceFile(
    name,
    readFileSync(`src/${name}`, "utf8"),
    ts.ScriptTarget.Latest,
    true,
    ts.ScriptKind.TSX,
  );
  const visit = (node) => {
    const words = ts.isJsxText(node) ? node.text : isText(node) && isShown(node) ? written(node) : "";
    if (WORD.test(words)) {
      const line = file.getLineAndCharacterOfPosition(node.getStart()).line + 1;
      found.push(`src/${name}:${line}: ${words.trim().replace(/\s+/g, " ")}`);
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
}
for (const line of found) console.error(line);
if (found.length > 0)
  console.error(`${found.length} words stand in components; put them into the station's text.ts.`);
process.exit(found.length > 0 ? 1 : 0);
