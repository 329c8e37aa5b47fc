import type { PointOfALine } from '@/api/showTimelines'

export type { Clip, Marker, Moment, PlayedNote, Take, TempoChange, Timeline, Track } from '@/api/showTimelines'
export type Knot = PointOfALine
