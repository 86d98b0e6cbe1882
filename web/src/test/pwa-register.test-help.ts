/** What the build puts in for this name, in a browser that has no service workers: nothing is ever registered. */
export const registerSW = () => () => Promise.resolve()
