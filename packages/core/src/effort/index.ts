/**
 * Steps that a question may take in all its searches together. Who searches spends; once it is used up every search
 * that still asks is told to stop, and its answer says that it is cut short.
 */
export class Effort {
  private spent = 0
  private out = false

  /** @param most steps in all; what one step is, who spends says */
  constructor(readonly most: number) {}

  /** Takes steps; false once there are none left. */
  spend(steps = 1): boolean {
    this.spent += steps
    if (this.spent > this.most) this.out = true
    return !this.out
  }

  get used(): number {
    return this.spent
  }

  get exhausted(): boolean {
    return this.out
  }
}
