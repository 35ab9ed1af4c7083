// Reads an AsyncAPI document with the reference parser: prints what it finds wrong, one line each, and how many channels it has.
// usage: asyncapi.mjs FILE
import { readFileSync } from "node:fs";
import { Parser } from "@asyncapi/parser";

const WRONG = 0;
const { document, diagnostics } = await new Parser().parse(readFileSync(process.argv[2], "utf8"));
for (const found of diagnostics.filter((d) => d.severity === WRONG)) {
  console.log(`wrong: ${found.path.join("/")} ${found.message}`);
}
console.log(`channels: ${document ? document.channels().all().length : "none"}`);
