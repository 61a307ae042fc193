/**
 * How a lineup serves a frame: without cropping, by cropping, once although it is asked for twice, or
 * not at all.
 */
export type FrameState = 'clear' | 'crop' | 'once' | 'lost';
