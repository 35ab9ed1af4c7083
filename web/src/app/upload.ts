import { problemOf, patiently } from "../api/client";

const MOST_BYTES = 8 * 1024 * 1024;

/** Sends a table that a person chose; gives what the server answered, or why it was not taken in. */
export async function sendTable<T>(
  url: string,
  input: HTMLInputElement,
): Promise<{ name: string; body?: T; trouble?: string } | null> {
  const file = input.files?.[0];
  if (!file) return null;
  try {
    if (file.size > MOST_BYTES)
      return { name: file.name, trouble: "The list is larger than 8 MB. Nothing was changed." };
    const response = await patiently(url, {
      method: "POST",
      headers: { "Content-Type": "text/csv" },
      body: await file.text(),
    });
    const body = await response.json().catch(() => null);
    return response.ok
      ? { name: file.name, body: body as T }
      : {
          name: file.name,
          trouble: `${file.name} was not taken in. ${problemOf(response.status, body).message}`,
        };
  } catch {
    return { name: file.name, trouble: "Skelto's server does not answer. Nothing was changed." };
  } finally {
    input.value = "";
  }
}
