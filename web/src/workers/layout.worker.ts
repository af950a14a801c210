import type { ControlScheme } from '@dewpoint/core/system'
import { expose } from 'comlink'
import { layoutOf, type SchemeLayout } from '../wiring/layout.ts'

/** The drawing of a wiring scheme, off the screen's thread: leading many conductors takes a second or two. */
const drawing = { layoutOf: (scheme: ControlScheme): SchemeLayout => layoutOf(scheme) }

/** What the worker offers. */
export type Drawing = typeof drawing
expose(drawing)
