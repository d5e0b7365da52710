/** What a spreadsheet would take for a formula: by its first character, whatever lines follow. */
export const FORMULA = /^\s*[=+\-@\t\r\n|＝＋－＠]/;
