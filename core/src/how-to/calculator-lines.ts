/** Where to put the probes or take the figure, how the meter is set, what good looks like, and what bad. */
export type Lines = readonly [where: string, set: string, good: string, bad: string]
