import { expect, go, newExample, newLesson, present, says, settled, test, type, write } from './teacher';

// The school sets its words once; a new lesson begins with them, typed and printed so.
test('a school with a decimal comma and its own words finds them in every new lesson', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await go(page, '/');
  await page.getByRole('button', { name: 'Words of the school' }).click();
  const dialog = page.getByRole('dialog');
  const pick = async (label: string, choice: string) => {
    await dialog.getByLabel(label).click();
    await page.locator('.ant-select-dropdown:visible').getByTitle(choice, { exact: true }).click();
  };
  try {
    await pick('Numbers are written like', '4 002,5');
    await pick('For ten into one of the next, we say', 'carry and borrow');
    await pick('106 is read', 'one hundred six');
    await write(dialog.getByLabel('Money'), 'pounds');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog.getByRole('alert')).toContainText('words.money: 1 names');
    await write(dialog.getByLabel('Money'), 'pound, pounds, penny, pence');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog).toBeHidden();

    await newLesson(page, 'Shed');
    await page.getByRole('button', { name: 'Place value discs' }).click();
    await type(page, '4 106,05');
    await expect(says(page, 'numeral')).toHaveText('4\u00a0106,05');
    await expect(page.getByText('0,01').first()).toBeVisible();
    const line = page.getByLabel('Write a line to keep');
    await write(line, '1 000 + 2,5 = 1 002,5');
    await expect(page.getByText('True.')).toBeVisible();
    await line.press('Enter');
    await expect(page.getByRole('listitem').filter({ hasText: /1.000 \+ 2,5 = 1.002,5/ })).toBeVisible();

    await newExample(page);
    await write(page.getByRole('dialog').getByLabel(/: type /), '4 002 − 1 567');
    await page.getByRole('dialog').getByRole('button', { name: 'Add to the lesson' }).click();
    await expect(page.getByRole('dialog')).toBeHidden();
    await present(page);
    const prompt = page.getByRole('region', { name: 'Prompt' });
    const heard: string[] = [];
    for (let i = 0; i < 60 && !(await page.locator('.EndBar_end-bar').isVisible()); i++) {
      await page.keyboard.press('ArrowRight');
      await settled(page);
      heard.push(await prompt.innerText());
    }
    const all = heard.join('\n');
    expect(all).toMatch(/[Bb]orrow one of the/);
    expect(all).toMatch(/4.002.−.1.567/);
    expect(all).not.toMatch(/bundle|exchange|regroup|\d{4}|\d\.\d/i);
    await expect(page.getByText(/4.002 − 1.567 = 2.435/).first()).toBeVisible();
  } finally {
    await page.request.put('/api/school', { data: { words: {} } });
  }
});

test('a lesson begun without the network has the words that the school had', async ({ page, context }) => {
  await page.request.put('/api/school', { data: { words: { maths: 'math' } } });
  try {
    await go(page, '/');
    await newLesson(page, 'With the network');
    await expect(page.getByRole('heading', { name: 'Our math', exact: true })).toBeVisible();
    await page
      .getByRole('link', { name: /lessons/i })
      .first()
      .click();
    await expect(page.getByRole('heading', { name: 'Lessons' })).toBeVisible();
    await context.setOffline(true);
    await newLesson(page, 'Without it');
    await expect(page.getByRole('heading', { name: 'Our math', exact: true })).toBeVisible();
  } finally {
    await context.setOffline(false);
    await page.request.put('/api/school', { data: { words: {} } });
  }
});
