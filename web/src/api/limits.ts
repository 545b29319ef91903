/** Made by ./bullseye types from core/basis/limits.py. */
export const LIMITS = {
  "windKt": {
    "min": 0,
    "max": 100
  },
  "gustKt": {
    "min": 0,
    "max": 150
  },
  "temperatureC": {
    "min": -60,
    "max": 60
  },
  "qnhHpa": {
    "min": 870,
    "max": 1085
  },
  "visibilityM": {
    "min": 0,
    "max": 100000
  },
  "ceilingFt": {
    "min": 0,
    "max": 60000
  },
  "crosswindLimitKt": {
    "min": 0,
    "max": 60
  },
  "spotFt": {
    "min": 0,
    "max": 20000
  },
  "aimFt": {
    "min": -5000,
    "max": 20000
  },
  "alongFt": {
    "min": -3000,
    "max": 20000
  },
  "lateralFt": {
    "min": -200,
    "max": 200
  },
  "rollFt": {
    "min": 0,
    "max": 20000
  },
  "aimStepFt": {
    "min": 1,
    "max": 2000
  },
  "weightLb": {
    "min": 1,
    "max": 20000
  },
  "speedKias": {
    "min": 20,
    "max": 250
  },
  "floatS": {
    "min": 0,
    "max": 60
  },
  "bookedMin": {
    "min": 1,
    "max": 480
  },
  "fuelGal": {
    "min": 0,
    "max": 500
  },
  "bagsLb": {
    "min": 0,
    "max": 2000
  },
  "personLb": {
    "min": 0,
    "max": 500
  }
} as const
