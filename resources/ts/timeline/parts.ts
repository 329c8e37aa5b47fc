import type { PointOfALine } from '@/api/showTimelines'

export type { Marker, Moment, Timeline, Track } from '@/api/showTimelines'
export type Knot = PointOfALine
