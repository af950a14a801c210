<template>
  <main class="nowhere">
    <h1>There is nothing at this address</h1>
    <p class="dim">The case may have been opened on another Dewpoint, or the address was cut short.</p>
    <v-btn :to="{ name: 'today' }" color="primary" variant="flat">Go to today’s calls</v-btn>
  </main>
</template>

<style scoped>
.nowhere {
  max-width: 34rem;
  margin: 18vh auto 0;
  padding: 0 20px;
}
</style>
