// jsdom has no store of its own.
import 'fake-indexeddb/auto'
import { configure } from '@testing-library/react'
import { afterAll, vi } from 'vitest'

// Without a layout nothing is hidden: looking each time whether it is takes most of a test's time. A busy machine answers late.
configure({ defaultHidden: true, asyncUtilTimeout: 15_000 })

// What jsdom leaves out of a browser and the interface asks for: layout is not drawn here, so nothing is ever observed.
const still = { matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }
Object.assign(window, { matchMedia: (media: string) => ({ ...still, media }) })
window.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
}
// No sheet of styles says anything here: working one out for each element that is named takes most of a test's time. A
// text area asks for its own, to be as high as its lines.
const styleOf = window.getComputedStyle.bind(window)
/** A style in which what nobody set is nothing, as a browser has it: heights are added up of it. */
const settled = (style: CSSStyleDeclaration) =>
  new Proxy(style, {
    get: (own, key) =>
      key === 'getPropertyValue'
        ? (name: string) => own.getPropertyValue(name) || '0px'
        : (Reflect.get(own, key) as unknown),
  })
window.getComputedStyle = (element: Element) =>
  element instanceof HTMLElement && element.tagName !== 'TEXTAREA' ? element.style : settled(styleOf(element))
// A page's addresses are its own: a server that nobody started is one out of reach.
const NodeRequest = globalThis.Request
globalThis.Request = class extends NodeRequest {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, location.href) : input, init)
  }
}
Object.assign(Element.prototype, { scrollIntoView: () => undefined })
Object.assign(window, { scrollTo: () => undefined })
// Nothing is drawn: no point of the screen is a place on a drawing.
Object.assign(SVGElement.prototype, { getScreenCTM: () => null })
if (!('text' in Blob.prototype))
  Object.assign(Blob.prototype, {
    text(this: Blob) {
      return new Promise((done, fail) => {
        const reader = new FileReader()
        reader.onload = () => done(reader.result)
        reader.onerror = () => fail(reader.error ?? new Error('the file cannot be read'))
        reader.readAsText(this)
      })
    },
  })
// A part that is loaded late may still be on its way when its test is through: the next file, which shares what is loaded,
// would find it half there.
afterAll(() => vi.dynamicImportSettled())
