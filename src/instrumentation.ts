/** How long after its start the server reads the lens database: the first page comes first, ms. */
const READ_AFTER_MS = 3000;

export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { lensLookup } = await import('@/server');
  setTimeout(() => void lensLookup().ready(), READ_AFTER_MS).unref();
}
