import { catalogueHash, type Catalogue, type Signatures } from '@dewpoint/core/diagnosis'

/** Where signatures come from. */
interface Sources {
  /** those that are shipped or kept, in full; null where a catalogue has none */
  shipped: (catalogue: Catalogue) => Promise<Signatures> | null
  /** a first answer from the nominal plant */
  nominal: (catalogue: Catalogue) => Signatures
  /** everything, a piece at a time: every piece is a place to stop */
  full: (catalogue: Catalogue) => Generator<unknown, Signatures>
  /** adds what is kept of a catalogue to its full signatures */
  withKept: (catalogue: Catalogue, full: Signatures) => Promise<Signatures>
  /** lets whoever waits for an answer go first */
  rest: () => Promise<void>
}

/** One catalogue's signatures, as far as they are known. */
interface Place {
  signatures: Promise<Signatures>
  /** they are in full, not of the nominal plant alone */
  full: boolean
}

/** systems whose signatures are held at once: the case on the screen, the one before it, and one to look something up in */
const held = 3

/**
 * The signatures of the catalogues in use. What is better replaces what is there and never the other way round: full ones those of the nominal
 * plant, improved ones those they were made from. A catalogue that was not asked for lately is let go.
 */
export function signatureShelf({ shipped, nominal, full, withKept, rest }: Sources, most = held) {
  // in the order of use, the latest last
  const places = new Map<string, Place>()
  const keyOf = (catalogue: Catalogue) => `${catalogue.system.id} ${catalogueHash(catalogue)}`

  function of(catalogue: Catalogue): Promise<Signatures> {
    const key = keyOf(catalogue)
    const place = places.get(key) ?? begin(key, catalogue)
    places.delete(key)
    places.set(key, place)
    for (const old of [...places.keys()].slice(0, -most)) places.delete(old)
    return place.signatures
  }

  function begin(key: string, catalogue: Catalogue): Place {
    const ready = shipped(catalogue)
    const place: Place = { signatures: ready ?? first(catalogue), full: ready !== null }
    places.set(key, place)
    // what could not be fetched is fetched anew when it is asked for again
    place.signatures.catch(() => places.get(key) === place && places.delete(key))
    if (!ready) fill(key, catalogue, place).catch((error: unknown) => console.error('the readings of the whole spread could not be simulated', error))
    return place
  }

  // a promise, so that what the nominal plant cannot do is refused like anything else
  async function first(catalogue: Catalogue): Promise<Signatures> {
    return nominal(catalogue)
  }

  /** Simulates the whole spread in the background, as long as somebody has a use for it. */
  async function fill(key: string, catalogue: Catalogue, place: Place): Promise<void> {
    await place.signatures
    const building = full(catalogue)
    for (;;) {
      await rest()
      if (places.get(key) !== place) return
      const { done, value } = building.next()
      if (!done) continue
      const kept = await withKept(catalogue, value)
      place.signatures = Promise.resolve(kept)
      place.full = true
      return
    }
  }

  /** Betters what is known of a catalogue now, whatever it was when the betterment was begun. */
  async function improve(catalogue: Catalogue, change: (known: Signatures) => Signatures): Promise<void> {
    const place = places.get(keyOf(catalogue))
    if (!place?.full) return
    const before = place.signatures
    const changed = before.then(change)
    // what cannot be bettered stays as it was
    place.signatures = changed.catch(() => before)
    await changed
  }

  return { of, improve, isFull: (catalogue: Catalogue) => places.get(keyOf(catalogue))?.full === true }
}
