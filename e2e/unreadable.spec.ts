import { breaksNoRule, expect, test } from './test-server.js';

test('a row that cannot be read is shown as such beside the good ones, and the others can be worked with', async ({
  page,
  server,
}) => {
  const [kept] = (
    await (
      await page.request.post('/api/yard', {
        data: {
          offers: [
            {
              name: 'Odd plank',
              yard: 'Alder Slip Timber',
              material: 'western-red-cedar',
              thickness: 16,
              width: 140,
              length: 1800,
              price: 3,
            },
          ],
        },
      })
    ).json()
  ).offers;
  await server.query(`update offers set material = '' where id = '${kept.id}'`);
  await page.goto('/yard');
  await expect(page.locator('[data-offer]').first()).toBeVisible();
  const unread = page.getByRole('region', { name: 'Cannot be read' });
  await expect(unread).toContainText('Odd plank');
  await expect(unread).toContainText('material');
  await breaksNoRule(page);
  // A box that is of no animal of this release: the page itself cannot read it.
  await server.query("update trail_boxes set animal = 'roc' where number = 3");
  await page.goto('/trail?at=boxes');
  await expect(unread).toContainText('no. 3');
  await expect(page.getByRole('link', { name: /^(Box )?4$/ }).first()).toBeVisible();
});
