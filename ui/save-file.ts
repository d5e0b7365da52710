/** Hands the visitor a file that was made in the browser: text of a type, or bytes. */
export function saveFile(name: string, type: string, text: string | Blob): void {
  const url = URL.createObjectURL(
    typeof text === "string" ? new Blob([text], { type: `${type};charset=utf-8` }) : text,
  );
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}
