/** The steps of a lesson in the order people work, each with its key. */
export interface Step {
  name: 'prepare' | 'takeoff' | 'pattern' | 'landing' | 'laps' | 'debrief'
  label: string
  key: string
}

export const STEPS: readonly Step[] = [
  { name: 'prepare', label: 'Prepare', key: '1' },
  { name: 'takeoff', label: 'Takeoff', key: '2' },
  { name: 'pattern', label: 'Pattern', key: '3' },
  { name: 'landing', label: 'Landing', key: '4' },
  { name: 'laps', label: 'Laps', key: '5' },
  { name: 'debrief', label: 'Debrief', key: '6' },
]
