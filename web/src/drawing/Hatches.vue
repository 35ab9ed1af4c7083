<template>
  <defs>
    <pattern
      id="hatch-MASONRY"
      width="6"
      height="6"
      patternUnits="userSpaceOnUse"
      patternTransform="rotate(45)"
    >
      <rect width="6" height="6" fill="var(--wall)" />
      <path d="M0 0V6" stroke="var(--ink2)" stroke-width="1.1" />
    </pattern>
    <pattern
      id="hatch-STONE"
      width="9"
      height="9"
      patternUnits="userSpaceOnUse"
      patternTransform="rotate(45)"
    >
      <rect width="9" height="9" fill="var(--wall)" />
      <path d="M0 0V9M3 0V9" stroke="var(--ink2)" stroke-width="0.9" />
    </pattern>
    <pattern id="hatch-CONCRETE" width="8" height="8" patternUnits="userSpaceOnUse">
      <rect width="8" height="8" fill="var(--wall)" />
      <path d="M1 2H2M5 6H6M6 1H7M3 5H4" stroke="var(--ink2)" stroke-width="1.3" />
    </pattern>
    <pattern id="hatch-TIMBER" width="8" height="4" patternUnits="userSpaceOnUse">
      <rect width="8" height="4" fill="var(--wall)" />
      <path d="M0 2C2 0 6 4 8 2" stroke="var(--ink2)" stroke-width="0.7" fill="none" />
    </pattern>
    <pattern id="hatch-BOARD" width="5" height="5" patternUnits="userSpaceOnUse">
      <rect width="5" height="5" fill="var(--sheet)" />
    </pattern>
    <pattern id="hatch-GLASS" width="4" height="4" patternUnits="userSpaceOnUse">
      <rect width="4" height="4" fill="var(--sheet)" />
      <path d="M0 4L4 0" stroke="var(--signal)" stroke-width="0.6" />
    </pattern>
  </defs>
</template>
