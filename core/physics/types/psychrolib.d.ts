declare module 'psychrolib' {
  const psychrolib: {
    SI: number
    SetUnitSystem(system: number): void
    GetTDewPointFromVapPres(dryBulb: number, pascals: number): number
    GetSatVapPres(celsius: number): number
  }
  export default psychrolib
}
