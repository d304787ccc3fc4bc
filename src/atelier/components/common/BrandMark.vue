<template>
  <svg
    width="24"
    height="24"
    viewBox="0 0 24 24"
    aria-hidden="true"
    fill="none"
    stroke="var(--accent)"
    stroke-width="1.8"
  >
    <circle cx="12" cy="12" r="10.2" />
    <path d="M5 14c2.2-2.6 4.6-2.6 7 0s4.8 2.6 7 0" />
    <circle cx="12" cy="7.6" r="1.9" fill="var(--accent)" stroke="none" />
  </svg>
</template>
