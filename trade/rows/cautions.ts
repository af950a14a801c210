/** Where an old boiler is opened. */
export const oldRope = 'Rope, pads and seals of an old boiler may hold asbestos: do not disturb them.'
