<script setup lang="ts">
/** What is seen from the seat, drawn as large as there is room; a still, or one picture of a film. */
import { onMounted, ref, watch } from 'vue'
import { useWidth } from '@/composables/useWidth'
import { draw, type Drawn, type Seat } from '@/practise/draw'
import type { Eye } from '@/practise/sight'

export type Pose = Omit<Eye, 'fov_deg' | 'width_px' | 'height_px'>
const FOV_DEG = 46
const props = defineProps<{ scene: readonly Drawn[]; seat: Seat; pose: Pose | null; label: string }>()
const frame = ref<HTMLElement | null>(null)
const canvas = ref<HTMLCanvasElement | null>(null)
const width = useWidth(frame)
function paint() {
  const pen = canvas.value?.getContext('2d')
  if (!pen || !width.value) return
  const sharp = Math.min(2, window.devicePixelRatio || 1)
  const width_px = Math.round(width.value * sharp)
  const height_px = Math.round(width_px * 0.5625)
  if (canvas.value!.width !== width_px) {
    canvas.value!.width = width_px
    canvas.value!.height = height_px
  }
  if (!props.pose) {
    pen.fillStyle = '#dfe8ea'
    pen.fillRect(0, 0, width_px, height_px)
    return
  }
  draw(pen, props.scene, { ...props.pose, fov_deg: FOV_DEG, width_px, height_px }, props.seat)
}
onMounted(paint)
watch([() => props.pose, () => props.scene, width], paint, { flush: 'post' })
</script>

<template>
  <!-- as wide as leaves the answers in sight below it -->
  <div ref="frame" class="mx-auto w-full max-w-[calc(58vh*16/9)] overflow-hidden rounded-lg border border-line">
    <canvas ref="canvas" class="block w-full" role="img" :aria-label="label" />
  </div>
</template>
