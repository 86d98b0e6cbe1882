/** An answer of that shape whose JSON text is there already: nothing is read into records to be written as text again. */
export class Written<Shape> {
  /** Its shape is for the compiler alone. */
  declare protected readonly shape: Shape
  constructor(readonly text: string) {}
}
