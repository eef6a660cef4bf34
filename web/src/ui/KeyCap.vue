<template>
  <kbd class="rounded border border-current px-2 py-0.5 font-figures text-sm"><slot /></kbd>
</template>
