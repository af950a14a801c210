import fc from 'fast-check'

/** Property tests draw the same cases every time; SEED=number looks at others, and what they find becomes an example of its own. */
fc.configureGlobal({ seed: Number(process.env.SEED ?? 20_260_301) })
