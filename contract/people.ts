/** Who wrote lately, by name. */
export interface People {
  people: string[]
}
