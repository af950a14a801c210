const past: Record<string, string> = {
  ...{ add: 'added', balance: 'balanced', blank: 'blanked', brush: 'brushed', clean: 'cleaned', clear: 'cleared', connect: 'connected', correct: 'corrected' },
  ...{ descale: 'descaled', dose: 'dosed', dry: 'dried', enlarge: 'enlarged', fill: 'filled', find: 'found', fit: 'fitted', fix: 'fixed', flush: 'flushed' },
  ...{
    free: 'freed',
    have: 'had',
    lag: 'lagged',
    let: 'let',
    lower: 'lowered',
    mend: 'mended',
    move: 'moved',
    open: 'opened',
    pair: 'paired',
    press: 'pressed',
  },
  ...{ prove: 'proved', put: 'put', quote: 'quoted', recharge: 'recharged', refill: 'refilled', refit: 'refitted', 're-hang': 're-hung', release: 'released' },
  ...{
    remake: 'remade',
    renew: 'renewed',
    replace: 'replaced',
    reseal: 'resealed',
    reset: 'reset',
    restore: 'restored',
    set: 'set',
    show: 'showed',
    shut: 'shut',
  },
  ...{
    part: 'parted',
    swap: 'swapped',
    switch: 'switched',
    take: 'took',
    thaw: 'thawed',
    top: 'topped',
    trace: 'traced',
    turn: 'turned',
    vent: 'vented',
    wash: 'washed',
    bleed: 'bled',
  },
}

/** What is to be done, as it is said once it was: "Fit a new fan" is "Fitted a new fan". What begins with no verb known stays as it is. */
export function inThePast(label: string): string {
  if (done(label.split(' ')[0]!) === null) return label
  let isVerb = true
  return label
    .split(' ')
    .map((word) => {
      const said = isVerb ? (done(word) ?? word) : word
      // a second thing done in the same breath
      isVerb = /,$/.test(word) || ['and', 'then', 'or'].includes(word)
      return said
    })
    .join(' ')
}

/** A verb as it was done, with its capital and comma; null where it is none. */
function done(word: string): string | null {
  const [, bare = '', comma = ''] = /^(.*?)(,?)$/.exec(word) ?? []
  const known = past[bare.toLowerCase()]
  if (known === undefined) return null
  return (/^[A-Z]/.test(bare) ? known[0]!.toUpperCase() + known.slice(1) : known) + comma
}
