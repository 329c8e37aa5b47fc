import type { PointOfALine } from '@/api/showTimelines'

export type { Marker, Moment, Take, Timeline, Track } from '@/api/showTimelines'
export type Knot = PointOfALine
