const names = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B']
/** A note's name beside its number: the octave depends on the maker, and is a setting of the show. */
export const noteName = (number: number, middleC: number) => `${names[number % 12]}${Math.floor(number / 12) - 5 + middleC}`
