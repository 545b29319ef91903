<script setup lang="ts">
/** A field that tells what was typed when it is left, and keeps it while answers redraw the screen around it. */
const text = defineModel<string>({ required: true })
</script>

<template>
  <input v-model.lazy="text" />
</template>
