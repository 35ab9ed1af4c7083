// The versions of everything that goes into the program, as the table in docs/operations.md has it.
// usage: versions.mjs [--write | --check]
import { readFileSync, writeFileSync } from "node:fs";

const pom = readFileSync("pom.xml", "utf8");
const boot = pom.match(/<artifactId>spring-boot-starter-parent<\/artifactId>\s*<version>([^<]+)/)[1];
const java = [...pom.matchAll(/<([a-z0-9.-]+)\.version>([^<]+)<\/\1\.version>/g)]
  .filter(([, name]) => !["java", "maven.compiler", "skelto"].includes(name))
  .map(([, name, version]) => [name, version, "Maven"]);
const { dependencies, devDependencies } = JSON.parse(readFileSync("web/package.json", "utf8"));
const lock = JSON.parse(readFileSync("web/package-lock.json", "utf8")).packages;
const page = (names, what) => Object.keys(names).map((name) => [name, lock[`node_modules/${name}`].version, what]);
const rows = [
  ["spring-boot", boot, "Maven"],
  ...java,
  ...page(dependencies, "npm, in the page"),
  ...page(devDependencies, "npm, to build and test"),
].sort(([a], [b]) => a.localeCompare(b));
const table = ["| what | version | from |", "|---|---|---|", ...rows.map((row) => `| ${row.join(" | ")} |`)].join("\n");

const file = "docs/operations.md";
const text = readFileSync(file, "utf8");
const [before, rest] = text.split("<!-- versions -->");
const after = rest.split("<!-- /versions -->")[1];
const wanted = `${before}<!-- versions -->\n${table}\n<!-- /versions -->${after}`;
if (process.argv[2] === "--write") writeFileSync(file, wanted);
else if (process.argv[2] === "--check") {
  if (wanted !== text) {
    console.error(`${file} does not list the versions that are built with: node scripts/versions.mjs --write`);
    process.exit(1);
  }
} else console.log(table);
