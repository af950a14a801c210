import createPanzoom, { type PanzoomObject } from '@panzoom/panzoom'
import type { Point } from './layout.ts'
import { held, shift } from './freeView.ts'

/** how far one press of a button goes */
const step = 1.35
/** a finger that moved further than this was moving the map, not pressing on it; px */
const pressed = 8

/** A map moved and enlarged by finger, wheel or button, and the press on it told from the push of it. */
export interface FreeMap {
  closer: () => void
  further: () => void
  whole: () => void
  /** brings a point of the drawing to the middle, unless it is in sight */
  show: (at: Point) => void
  end: () => void
}

/**
 * Lets a drawing be moved about in its view.
 *
 * @param drawing lies in the view's upper left corner, in its own size
 * @param size of the drawing in px
 * @param first stands in the middle to begin with
 */
export function freeMap(drawing: SVGSVGElement, view: HTMLElement, size: { width: number; height: number }, first: Point): FreeMap {
  let panzoom: PanzoomObject | null = null
  const seen = () => ({ width: view.clientWidth, height: view.clientHeight })
  const middle = () => ({ x: view.clientWidth / 2, y: view.clientHeight / 2 })
  const put = (scale: number, at: Point) => {
    panzoom?.zoom(scale, { force: true })
    const { x, y } = shift(size, scale, at, middle())
    panzoom?.pan(x, y, { force: true })
  }

  let from: Point | null = null
  const down = (event: PointerEvent) => (from = { x: event.clientX, y: event.clientY })
  const click = (event: MouseEvent) => {
    if (from && Math.hypot(event.clientX - from.x, event.clientY - from.y) > pressed) event.stopPropagation()
  }
  view.addEventListener('pointerdown', down, true)
  view.addEventListener('click', click, true)
  const wheel = (event: WheelEvent) => panzoom?.zoomWithWheel(event)
  view.addEventListener('wheel', wheel, { passive: false })
  const zoom = (times: number) => {
    if (!panzoom) return
    const { x, y } = view.getBoundingClientRect()
    const at = middle()
    panzoom.zoomToPoint(panzoom.getScale() * times, { clientX: x + at.x, clientY: y + at.y })
  }
  // the sheet it stands in may only be opening; what is in the middle stays there when the room changes
  let before: Point | null = null
  const resized = new ResizeObserver(() => {
    if (view.clientWidth === 0) return
    const now = middle()
    if (panzoom && before) {
      const scale = panzoom.getScale()
      const { x, y } = panzoom.getPan()
      panzoom.pan(x + (now.x - before.x) / scale, y + (now.y - before.y) / scale, { force: true })
    } else {
      const { x, y } = shift(size, 1, first, now)
      panzoom = createPanzoom(drawing, { canvas: true, minScale: 0.2, maxScale: 4, cursor: 'grab', startScale: 1, startX: x, startY: y })
      panzoom.pan(x, y, { force: true })
    }
    before = now
  })
  resized.observe(view)
  return {
    closer: () => zoom(step),
    further: () => zoom(1 / step),
    whole: () => put(Math.min(seen().width / size.width, seen().height / size.height), { x: size.width / 2, y: size.height / 2 }),
    show(at) {
      // what takes the focus may have been scrolled to, which is not how this view moves
      view.scrollTo(0, 0)
      if (!panzoom) return
      const scale = panzoom.getScale()
      const { x, y } = panzoom.getPan()
      if (!held(size, scale, { x, y }, at, seen())) put(Math.max(scale, 1), at)
    },
    end() {
      resized.disconnect()
      view.removeEventListener('pointerdown', down, true)
      view.removeEventListener('click', click, true)
      view.removeEventListener('wheel', wheel)
      panzoom?.destroy()
    },
  }
}
