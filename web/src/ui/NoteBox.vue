<script setup lang="ts">
/** Something to know or to heed beside what is done. */
defineProps<{ plain?: boolean }>();
</script>

<template>
  <div class="note alert" :class="plain ? 'alert-light' : 'alert-warning'"><slot /></div>
</template>
