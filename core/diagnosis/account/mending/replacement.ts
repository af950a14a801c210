import { type Catalogue, comingBack, type Costs, type Plan, type ReplacementSum, timeCosts } from '../../catalogue/index.ts'

/** a part as dear as this counts among the dear ones. Assumed */
const dear = 60
/** a repair that costs this share of a new appliance is weighed against it. Common practice */
const worthAThought = 0.3
/** how many years one has left where nobody said how old it is. Assumed */
const unknownLeft = 7

/**
 * The whole appliance new against the best plan that costs much, as money a year of service: where two dear parts or more are to be fitted, or the repair
 * costs a good part of a new one.
 *
 * @param age of the appliance, years, where it is known
 * @returns null where nothing calls for the thought
 */
export function replacementOf({ replacement, remedies }: Catalogue, plans: readonly Plan[], costs: Costs, age?: number): ReplacementSum | null {
  if (!replacement) return null
  const money = Math.round(replacement.partsCost + timeCosts(costs, replacement.minutes))
  const dearIn = (plan: Plan) => plan.steps.filter((step) => (remedies.find((one) => one.id === step.remedy)?.partsCost ?? 0) >= dear).length
  // the best plan that is dear enough: a cheaper one beside it may not hold
  const plan = plans.find((one) => dearIn(one) >= 2 || one.money >= worthAThought * money)
  if (!plan) return null
  const yearsLeft = age === undefined ? unknownLeft : Math.max(1, replacement.years - age)
  const perYear = {
    repair: (plan.money + plan.chanceOfReturn * comingBack(costs)) / yearsLeft,
    replacement: money / replacement.years,
  }
  return {
    label: replacement.label,
    money,
    minutes: replacement.minutes,
    years: replacement.years,
    age: age ?? null,
    yearsLeft,
    perYear,
    cheaper: perYear.repair <= perYear.replacement ? 'repair' : 'replacement',
    plan: plan.id,
    because: dearIn(plan) >= 2 ? `${dearIn(plan)} dear parts at once` : `A repair that costs ${Math.round((plan.money / money) * 100)}% of a new one`,
  }
}
