/** Whether this page was loaded where the server lets it hear; within the application one comes from elsewhere. */
export function maySound(): boolean {
  const [loaded] = performance.getEntriesByType('navigation')
  return !loaded || /^\/sets\/[^/]+\/finish$/.test(new URL(loaded.name).pathname)
}
