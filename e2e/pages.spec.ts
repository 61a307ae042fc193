import AxeBuilder from '@axe-core/playwright';
import { expect, open, test } from './support';

const PAGES = [
  '/brief?frame=f10',
  '/shelf?item=k-24-240',
  '/shelf?kind=converters&item=k-c14',
  '/shelf?kind=adapters&item=a-k-t',
  '/reach?frame=f03',
  '/lineup',
  '/carry',
  '/shelf?kind=bags',
  '/versions',
  '/storage',
];

for (const theme of ['light', 'dark'] as const) {
  for (const path of PAGES) {
    test(`axe finds nothing on ${path} in the ${theme === 'dark' ? 'night' : 'light'} theme`, async ({
      page,
    }) => {
      await page.emulateMedia({ colorScheme: theme });
      await open(page, path);
      const { violations } = await new AxeBuilder({ page })
        .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
        .analyze();
      expect(
        violations.map((v) => `${v.id} ${v.nodes[0]?.html} ${v.nodes[0]?.failureSummary}`),
      ).toEqual([]);
    });
  }
}

test('pages are served with a policy that lets no inline script through', async ({
  page,
  request,
}) => {
  const response = await page.goto('/brief');
  const policy = response?.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("script-src 'self' 'nonce-");
  expect(policy.split(';').find((p) => p.includes('script-src'))).not.toContain('unsafe-inline');
  const addresses: string[] = [];
  page.on('request', (r) => addresses.push(new URL(r.url()).origin));
  await page.reload();
  await expect(page.getByTestId('answer')).toBeVisible();
  expect(new Set(addresses.filter((a) => a !== 'null'))).toEqual(
    new Set([new URL(page.url()).origin]),
  );
  const schema = await request.get('/outing.schema.json');
  expect((await schema.json()).title).toBe('Arm Reach outing');
});
