/** A year: as long as browsers keep what is theirs to keep. */
const KEPT_S = 31_536_000;

/** Keeps a person's choice in this browser, and in a cookie, by which the server answers in it. */
export function keepChoice(key: string, value: string): void {
  localStorage.setItem(key, value);
  document.cookie = `${key}=${value}; path=/; max-age=${KEPT_S}; samesite=strict`;
}
