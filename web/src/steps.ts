/** The steps of a lesson in the order people work, each with its key. */
import { say } from '@/said'
export interface Step {
  name: 'prepare' | 'takeoff' | 'pattern' | 'landing' | 'laps' | 'debrief'
  label: string
  key: string
}

export const STEPS: readonly Step[] = [
  {
    name: 'prepare',
    get label() {
      return say('common.prepare')
    },
    key: '1',
  },
  {
    name: 'takeoff',
    get label() {
      return say('common.takeoff')
    },
    key: '2',
  },
  {
    name: 'pattern',
    get label() {
      return say('common.pattern')
    },
    key: '3',
  },
  {
    name: 'landing',
    get label() {
      return say('common.landing')
    },
    key: '4',
  },
  {
    name: 'laps',
    get label() {
      return say('common.laps')
    },
    key: '5',
  },
  {
    name: 'debrief',
    get label() {
      return say('common.debrief')
    },
    key: '6',
  },
]
