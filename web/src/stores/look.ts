/** Daylight or night, kept on this device. */
import { defineStore } from 'pinia'
import { ref, watchEffect } from 'vue'

export type Theme = 'day' | 'night'

export const useLook = defineStore('look', () => {
  const theme = ref<Theme>(localStorage.getItem('theme') === 'night' ? 'night' : 'day')
  watchEffect(() => {
    document.documentElement.dataset.theme = theme.value
    localStorage.setItem('theme', theme.value)
  })
  function toggle() {
    theme.value = theme.value === 'day' ? 'night' : 'day'
  }
  return { theme, toggle }
})
