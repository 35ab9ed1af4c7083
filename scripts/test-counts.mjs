// Adds up a module's JUnit reports or Vitest's into one closing line.
import { existsSync, readdirSync, readFileSync } from "node:fs";

const [module] = process.argv.slice(2);
if (module === "web") {
  if (!existsSync("web/target/vitest.json")) process.exit(1);
  const report = JSON.parse(readFileSync("web/target/vitest.json", "utf8"));
  console.log(
    `skelto: web (Vitest): ${report.numTotalTests} tests, ${report.numFailedTests} failures, ${report.numPendingTests} skipped; linters ran before it`,
  );
  process.exit(0);
}
const folder = `${module}/target/surefire-reports`;
if (!existsSync(folder)) process.exit(1);
const sum = { tests: 0, failures: 0, errors: 0, skipped: 0 };
const files = readdirSync(folder).filter((name) => /^TEST-.*\.xml$/.test(name));
for (const name of files) {
  const head = readFileSync(`${folder}/${name}`, "utf8").match(/<testsuite[^>]*>/)[0];
  for (const key of Object.keys(sum)) {
    sum[key] += Number(head.match(new RegExp(` ${key}="(\\d+)"`))[1]);
  }
}
if (files.length === 0) process.exit(1);
console.log(
  `skelto: ${module} (JUnit): ${sum.tests} tests, ${sum.failures} failures, ${sum.errors} errors, ${sum.skipped} skipped`,
);
