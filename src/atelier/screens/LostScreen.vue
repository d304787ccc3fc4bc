<template>
  <main class="lost">
    <h1>Nothing stands at this address</h1>
    <p class="soft">
      It may have been moved or mistyped. Your effects are on <router-link to="/">Home</router-link>.
    </p>
  </main>
</template>

<style scoped>
.lost {
  display: grid;
  place-content: center;
  gap: 8px;
  height: 100%;
  text-align: center;
}
a {
  color: var(--accent);
}
</style>
