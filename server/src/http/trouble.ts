/** For so long a refusal of the database is told by the health of the server. */
const toldMs = 60_000

/** What the database refused to do for a server: a full disk, no more connections, no answer. */
export class Trouble {
  private last: { readonly at: number; readonly words: string } | null = null
  note(words: string): void {
    this.last = { at: Date.now(), words }
  }
  /** What it refused in the last minute, in words; null where nothing was. */
  recent(): string | null {
    return this.last && Date.now() - this.last.at < toldMs ? this.last.words : null
  }
}
