<script setup lang="ts">
import { RouterView } from 'vue-router';
import { useTheme } from './draw/theme';

useTheme();
</script>

<template>
  <v-app>
    <RouterView />
  </v-app>
</template>
