/** Asks the browser not to clear what is kept when it needs room. Browsers decide by themselves, or ask the person once. */
export async function askToPersist(): Promise<void> {
  const { storage } = navigator;
  if (!storage?.persist || (await storage.persisted())) return;
  await storage.persist().catch(() => false);
}
