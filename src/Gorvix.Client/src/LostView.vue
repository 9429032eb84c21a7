<template>
  <main class="lost">
    <h1>There is no such page.</h1>
    <p>The address may be cut off. <RouterLink to="/">Go to the shelf</RouterLink>.</p>
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
