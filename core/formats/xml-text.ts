/** A text as it may stand in XML, in an element or an attribute: without the characters that XML has no place for. */
export const xmlText = (v: string): string =>
  v
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, "")
    .replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);
