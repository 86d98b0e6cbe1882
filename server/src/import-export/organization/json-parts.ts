import { Tokenizer, TokenParser, TokenType } from '@streamparser/json'
import { FileProblem } from '../csv/rows.ts'

/** A member of a JSON object: a list item by item, anything else as a whole. */
export type Part =
  | { readonly key: string; readonly kind: 'value'; readonly value: unknown }
  | { readonly key: string; readonly kind: 'list' }
  | { readonly key: string; readonly kind: 'item'; readonly n: number; readonly value: unknown }

/** In characters. A record holds at most one picture; what is larger is none of ours. */
const largestRecord = 32 * 1024 * 1024
const deepest = 40

type Token = Parameters<Tokenizer['onToken']>[0]
type State =
  | 'start'
  | 'key or end'
  | 'key'
  | 'colon'
  | 'value'
  | 'in value'
  | 'item or end'
  | 'item'
  | 'in item'
  | 'after item'
  | 'after value'
  | 'ended'

class NotJson extends Error {}

/** Follows the object and its lists by their tokens; what is inside of them is put together one record at a time. */
class PartReader {
  readonly #tokens = new Tokenizer({ stringBufferSize: 64 * 1024 })
  readonly #record = new TokenParser({ paths: ['$'], separator: '' })
  #state: State = 'start'
  #key = ''
  #n = 0
  #depth = 0
  #unread = 0
  #parts: Part[] = []

  constructor() {
    this.#tokens.onToken = (token) => this.#take(token)
    this.#record.onValue = ({ value }) => this.#complete(value)
  }

  get ended(): boolean {
    return this.#state === 'ended'
  }

  /** @throws NotJson, or whatever the tokenizer throws: it is none. */
  read(text: string): Part[] {
    this.#tokens.write(text)
    const parts = this.#parts
    this.#parts = []
    this.#unread = parts.length > 0 ? 0 : this.#unread + text.length
    return parts
  }

  /** Is the record that is being read larger, or deeper nested, than any of ours? */
  get beyond(): boolean {
    return this.#unread > largestRecord || this.#depth > deepest
  }

  #take(token: Token): void {
    const { token: type } = token
    if (this.#state === 'in value' || this.#state === 'in item') return this.#inside(token)
    const next = this.#next(type)
    if (next === 'in value' || next === 'in item') {
      this.#state = next
      return this.#inside(token)
    }
    if (next === 'colon') this.#key = String(token.value)
    if (next === 'item or end') {
      this.#n = 0
      this.#parts.push({ key: this.#key, kind: 'list' })
    }
    this.#state = next
  }

  /** What comes after a token outside of any record. */
  #next(type: TokenType): State {
    const state = this.#state
    const opens = type !== TokenType.RIGHT_BRACE && type !== TokenType.RIGHT_BRACKET
    const value = opens && type !== TokenType.COMMA && type !== TokenType.COLON
    if (state === 'start' && type === TokenType.LEFT_BRACE) return 'key or end'
    if ((state === 'key or end' || state === 'key') && type === TokenType.STRING) return 'colon'
    if (state === 'colon' && type === TokenType.COLON) return 'value'
    if (state === 'value' && type === TokenType.LEFT_BRACKET) return 'item or end'
    if (state === 'value' && value) return 'in value'
    if ((state === 'item or end' || state === 'item') && value) return 'in item'
    if (state === 'after item' && type === TokenType.COMMA) return 'item'
    if ((state === 'item or end' || state === 'after item') && type === TokenType.RIGHT_BRACKET) return 'after value'
    if (state === 'after value' && type === TokenType.COMMA) return 'key'
    if ((state === 'after value' || state === 'key or end') && type === TokenType.RIGHT_BRACE) return 'ended'
    throw new NotJson()
  }

  #inside(token: Token): void {
    const { token: type } = token
    if (type === TokenType.LEFT_BRACE || type === TokenType.LEFT_BRACKET) this.#depth += 1
    if (type === TokenType.RIGHT_BRACE || type === TokenType.RIGHT_BRACKET) this.#depth -= 1
    this.#record.write(token)
  }

  #complete(value: unknown): void {
    if (this.#state === 'in item') {
      this.#parts.push({ key: this.#key, kind: 'item', n: this.#n, value })
      this.#n += 1
      this.#state = 'after item'
    } else {
      this.#parts.push({ key: this.#key, kind: 'value', value })
      this.#state = 'after value'
    }
  }
}

/**
 * Read one JSON object, of any size, as its parts in their order. Only the record that is being read is in memory.
 * @param source the bytes, in pieces
 * @param bytes told how many have come so far
 * @throws FileProblem with the line from which on it is not UTF-8 or not a JSON object, or a record too large or too deep
 */
export async function* jsonParts(
  source: AsyncIterable<Uint8Array>,
  bytes: (soFar: number) => void = () => undefined,
): AsyncGenerator<Part> {
  const decoder = new TextDecoder('utf-8', { fatal: true })
  const reader = new PartReader()
  let line = 1
  let soFar = 0
  /** A line at a time, so that the line of what is wrong is known. */
  function* read(text: string): Generator<Part> {
    for (let from = 0; from < text.length;) {
      const end = text.indexOf('\n', from) + 1 || text.length
      let parts: Part[]
      try {
        parts = reader.read(text.slice(from, end))
      } catch {
        throw new FileProblem(line, '', 'The file is not JSON.')
      }
      if (reader.beyond)
        throw new FileProblem(
          line,
          '',
          'A record in this file is larger or nested deeper than any record can be. Is it an organization file?',
        )
      yield* parts
      if (text[end - 1] === '\n') line += 1
      from = end
    }
  }
  const textOf = (piece?: Uint8Array): string => {
    try {
      return piece ? decoder.decode(piece, { stream: true }) : decoder.decode()
    } catch {
      throw new FileProblem(line, '', 'The file is not UTF-8 text.')
    }
  }
  for await (const piece of source) {
    soFar += piece.length
    bytes(soFar)
    yield* read(textOf(piece))
  }
  yield* read(textOf())
  if (!reader.ended) throw new FileProblem(line, '', 'The file is not JSON.')
}
