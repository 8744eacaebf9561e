/** Whether a reason says that saves of the game are damaged, in either language that Seating speaks. */
export const damagesSaves = (reason: string): boolean =>
  /damages? saves|beschädigt (die )?(Spielstände|Speicherstände)/i.test(reason);
