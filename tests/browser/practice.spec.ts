import { test as judged } from './judgedGarage';
import { DEMO, expect, expectClean, test } from './support';

test('a practice case played through: tests and a planned drive cost, the answer says what parted it', async ({
  page,
}) => {
  await page.goto('/practice');
  await page.getByRole('button', { name: 'Clear', exact: true }).click();
  await expect(page.getByTestId('practice-card')).toBeVisible();
  const spent = page.getByTestId('practice-spent');
  await expect(spent).toHaveText('0 min0 €');
  const test1 = page.getByRole('button', { name: /Top radiator hose two minutes after a cold start/ });
  await expect(test1).toContainText('7 min, 11 €');
  await test1.click();
  await expect(page.getByTestId('practice-steps').getByRole('listitem')).toHaveCount(1);
  await expect(spent).toHaveText('7 min11 €');
  await expect(test1).toHaveCount(0);

  // A plan that cannot be driven says so; one that can is driven, and its log is there after a reload.
  await page.getByRole('button', { name: 'Drive', exact: true }).click();
  await page.getByLabel('Minutes of phase 3').fill('120');
  await expect(page.getByText('An hour and a half at most.')).toBeVisible();
  await page.getByLabel('Minutes of phase 3').fill('10');
  await page.getByRole('button', { name: /Drive and log it: 30 min/ }).click();
  await expect(page.getByTestId('practice-drive')).toBeVisible();
  await expect(spent).toHaveText('37 min56 €');
  await page.reload();
  await expect(page.getByTestId('practice-drive')).toBeVisible();
  await expect(page.getByTestId('practice-steps').getByRole('listitem')).toHaveCount(2);
  // What it is stays hidden until the end.
  await expect(page.getByTestId('practice-answer')).toHaveCount(0);
  await expectClean(page);

  // The wrong part first: dearer, and the customer is back. What it is, the store knows.
  const truth = await page.evaluate(async () => {
    const opening = indexedDB.open('varmek');
    const db = await new Promise<IDBDatabase>((done) => (opening.onsuccess = () => done(opening.result)));
    const all = db.transaction('practice').objectStore('practice').getAll();
    const rows = await new Promise<{ sheet: { truth: { causes: string[] } } }[]>(
      (done) => (all.onsuccess = () => done(all.result as never)),
    );
    db.close();
    return rows[0]!.sheet.truth.causes[0]!;
  });
  const wrong = truth.startsWith('fan') ? 'replace-sender' : 'mend-fan';
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await page.getByLabel('What is it?').selectOption(truth);
  await page.getByLabel(/How sure are you/).fill('90');
  await page.getByLabel('What do you do?').selectOption(wrong);
  await page.getByRole('button', { name: 'Do it' }).click();
  await expect(page.getByTestId('practice-steps')).toContainText('not cured, the customer is back');
  await page.getByRole('button', { name: 'Give up and see the answer' }).click();

  const answer = page.getByTestId('practice-answer');
  await expect(answer).toBeVisible();
  await expect(page.getByTestId('practice-you')).toContainText('at 90 %: right');
  await expect(page.getByTestId('practice-score')).toContainText('0 of 100');
  await expect(page.getByTestId('practice-review').getByRole('row')).toHaveCount(4);
  await expect(page.getByTestId('practice-cost')).toContainText('Varmek’s way, by tests alone');
  // The drive is judged meanwhile, as on a job.
  await expect(answer).not.toContainText('being judged', { timeout: 240_000 });
  await expect(answer.getByText(/times more likely|times less likely|told nothing/).first()).toBeVisible();
  await expectClean(page);

  await page.getByRole('link', { name: 'Another case' }).click();
  const cases = page.getByTestId('practice-cases').getByRole('listitem');
  await expect(cases).toHaveCount(1);
  await expect(page.getByTestId('practice-skill')).toContainText('1 of 1: too few to say');
  await page.getByRole('button', { name: /^Delete the case/ }).click();
  await expect(cases).toHaveCount(0);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(cases).toHaveCount(1);
});

judged('a case from an own job: without name or day, and only what was looked at there', async ({ page }) => {
  await page.goto('/practice');
  await page.getByRole('button', { name: 'From an own job' }).click();
  await expect(page.getByText(/No job can be used yet/)).toBeVisible();

  await page.goto(DEMO);
  await expect(page.getByText('Island taxi')).toBeVisible({ timeout: 240_000 });
  // Its drive is judged by then: it is all that can be asked of the demo's closed jobs.
  await page.goto(`${DEMO}/jobs/demo-parcel/prove`);
  await expect(page.getByTestId('headline-percent')).toBeVisible({ timeout: 240_000 });
  await page.goto(`${DEMO}/practice`);
  await expect(async () => {
    await page.getByRole('button', { name: 'From an own job' }).click();
    await expect(page.getByTestId('practice-card')).toBeVisible({ timeout: 5000 });
  }).toPass({ timeout: 240_000 });
  await expect(page.locator('main')).not.toContainText(/Island taxi|Parcel van|Library bus|Ferry office|Harbour/);
  await page.getByRole('button', { name: 'Drive', exact: true }).click();
  await page.getByRole('button', { name: /Look at the drive/ }).click();
  await expect(page.getByTestId('practice-drive')).toBeVisible();
});
