/** What water let in brings with it. */
export interface TopUpSums {
  /** times a year, at the rate so far; null over less than three days */
  aYear: number | null
  /** litres a year at the rate lost */
  litresAYear: number
  /** oxygen that comes in with them, g a year */
  oxygen: number
  /** magnetite it makes of the system's iron, g a year */
  sludge: number
}

/** top-ups a year that are no more than usual. Common practice: two to three */
export const usualTopUps = 3
/** oxygen in a litre of cold main in contact with air, mg: saturation at 10 °C. Tables, from memory */
const dissolved = 11.3
/** grams of magnetite to a gram of oxygen: 3 Fe + 2 O2 → Fe3O4, molar masses 231.5 and 64 */
const magnetite = 231.5 / 64

/** What topping up comes to in a year: each litre of fresh water brings oxygen, that rust, that sludge. */
export function topUpSums(count: number, days: number, litresADay: number): TopUpSums {
  const litresAYear = Math.max(litresADay, 0) * 365
  const oxygen = (litresAYear * dissolved) / 1000
  return { aYear: days >= 3 ? (count / days) * 365 : null, litresAYear, oxygen, sludge: oxygen * magnetite }
}
