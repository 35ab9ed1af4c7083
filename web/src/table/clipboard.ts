import Papa from "papaparse";

/** Cells that are taken from a paste at most. */
export const MOST_CELLS = 10_000;

/** A block as spreadsheets put it on the clipboard, or CSV; the same without a ragged end. */
export function readBlock(text: string): string[][] {
  const delimiter = text.includes("\t") ? "\t" : text.includes(";") && !text.includes(",") ? ";" : undefined;
  const read = Papa.parse<string[]>(text.replace(/\r\n?/g, "\n").replace(/\n$/, ""), {
    delimiter: delimiter ?? (text.includes(",") && text.includes("\n") ? "," : "\t"),
  });
  return read.data.map((row) => row.map((cell) => cell.trim()));
}

/** A spreadsheet reads what begins so as a formula: it is given as text. */
const harmless = (cell: string) => (/^[=+@\t\r]|^-(?!\d)/.test(cell) ? `'${cell}` : cell);

export const asBlock = (rows: string[][]): string =>
  rows.map((row) => row.map((cell) => cell.replace(/[\t\n]/g, " ")).join("\t")).join("\n");

export const asCsv = (rows: string[][]): string =>
  Papa.unparse(
    rows.map((row) => row.map(harmless)),
    { newline: "\r\n" },
  ) + "\r\n";

/** Offers a text as a file. */
export function saveFile(name: string, text: string, type = "text/csv;charset=utf-8") {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** What a copy or paste is about. */
export const clipboardOf = (event: Event): DataTransfer | null =>
  (event as unknown as { clipboardData: DataTransfer | null }).clipboardData;
