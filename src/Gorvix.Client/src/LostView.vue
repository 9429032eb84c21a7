<template>
  <main class="lost">
    <h1>Page not found</h1>
    <p>The address may be incomplete. <RouterLink to="/">Go to Builds</RouterLink>.</p>
  </main>
</template>

<style scoped>
.lost {
  padding: 64px 32px;
}

h1 {
  font-size: 1.75rem;
}
</style>
