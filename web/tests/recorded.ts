import Ajv from "ajv";
import { readFileSync, writeFileSync } from "node:fs";
import http from "node:http";
import { gunzipSync, gzipSync } from "node:zlib";
import openapi from "../src/api/openapi.json";

/**
 * Answers of the application on one of its demos, as they were once: by method, path and body of the question. They are taken
 * anew with SKELTO_RECORD=http://127.0.0.1:8080 and a copy running there; until then the page is shown what it was given.
 */
const FILE = "tests/answers/marrowby-leat.json.gz";
const server = process.env.SKELTO_RECORD;
const kept: Record<string, unknown> = server
  ? {}
  : (JSON.parse(gunzipSync(readFileSync(FILE)).toString()) as Record<string, unknown>);
let plan = "";

/** Stands in for the application; a question that was never recorded is an error of the test. */
export async function recorded(input: Request | string): Promise<Response> {
  const request = new Request(typeof input === "string" ? new URL(input, "http://localhost") : input);
  const url = new URL(request.url);
  const body = request.method === "GET" ? "" : await request.text();
  const question = `${request.method} ${url.pathname}${url.search} ${body}`.trim();
  if (server) kept[question] ??= await asked(request, url, body);
  if (!(question in kept)) throw new Error(`nothing was recorded for ${question}`);
  return new Response(JSON.stringify(kept[question]), { headers: { "Content-Type": "application/json" } });
}

async function asked(request: Request, url: URL, body: string): Promise<unknown> {
  plan ||= (JSON.parse(await fetched("/api/demos/marrowby-leat", "POST", "")) as { id: string }).id;
  const path = (url.pathname + url.search).replace("/p1", `/${plan}`);
  return JSON.parse((await fetched(path, request.method, body)).replaceAll(plan, "p1"));
}
/** Without the page's own fetch, which asks its own server only. */
const fetched = (path: string, method: string, body: string) =>
  new Promise<string>((done, failed) => {
    const headers = { "Content-Type": "application/json", Accept: "application/json" };
    const question = http.request(server + path, { method, headers }, (answer) => {
      let text = "";
      answer.setEncoding("utf8");
      answer.on("data", (piece: string) => (text += piece));
      answer.on("end", () =>
        answer.statusCode! < 300 ? done(text) : failed(new Error(`${method} ${path}: ${answer.statusCode}`)),
      );
    });
    question.on("error", failed);
    question.end(body);
  });

/** Stores what was taken anew. */
export function store() {
  if (server) writeFileSync(FILE, gzipSync(JSON.stringify(kept), { level: 9 }));
}

/** What of the recorded answers is no longer an answer of today's application, by the description of its API. */
export function outdated(): string[] {
  const ajv = new Ajv({ strict: false, allErrors: false, validateFormats: false });
  ajv.addSchema(openapi, "api");
  const paths = Object.keys(openapi.paths).map((path) => ({
    path,
    like: new RegExp(`^${path.replace(/\{[^}]+\}/g, "[^/]+")}$`),
  }));
  return Object.entries(kept).flatMap(([question, answer]) => {
    const [method, where] = question.split(" ");
    const plain = where!.split("?")[0]!;
    const found = paths.find((p) => p.like.test(plain));
    const ref = `api#/paths/${(found?.path ?? "?").replaceAll("/", "~1").replaceAll("{", "%7B").replaceAll("}", "%7D")}/${method!.toLowerCase()}/responses/200/content`;
    const operation = found && (openapi.paths as Record<string, Record<string, unknown>>)[found.path];
    if (!operation?.[method!.toLowerCase()]) return [`${question}: there is no such question any more`];
    const content = (
      operation[method!.toLowerCase()] as { responses: Record<string, { content?: Record<string, unknown> }> }
    ).responses["200"]?.content;
    const kind = Object.keys(content ?? {})[0];
    if (!kind) return [];
    const valid = ajv.validate(
      { $ref: `${ref}/${kind.replaceAll("/", "~1").replaceAll("*", "%2A")}/schema` },
      answer,
    );
    return valid ? [] : [`${question}: ${ajv.errorsText()}`];
  });
}
