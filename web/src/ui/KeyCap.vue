<template>
  <kbd class="max-sm:hidden rounded border border-current px-2 py-0.5 font-figures text-sm"><slot /></kbd>
</template>
