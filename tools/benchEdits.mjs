/** A performer's name typed into the input list of one window: from Enter until it stands in the other, ms each. */
export async function editsSeen(page, second, count) {
  const performer = (at) => at.locator('tbody tr').first().locator('[data-column="1"]');
  await performer(page).waitFor();
  await performer(second).waitFor();
  // Both windows write down when: one the key, the other the change on its screen.
  await page.evaluate(() => {
    document.addEventListener(
      'keydown',
      ({ key }) => key === 'Enter' && (window.pressedAt = Date.now()),
      true,
    );
  });
  await performer(second).evaluate((cell) => {
    window.seenAt = {};
    new MutationObserver(() => (window.seenAt[cell.textContent.trim()] ??= Date.now())).observe(cell, {
      childList: true,
      subtree: true,
      characterData: true,
    });
  });
  const delays = [];
  for (let n = 1; n <= count; n++) {
    await performer(page).focus();
    await page.keyboard.type(`Take ${n}`);
    await page.keyboard.press('Enter');
    await performer(second)
      .filter({ hasText: `Take ${n}` })
      .waitFor();
    const pressed = await page.evaluate(() => window.pressedAt);
    delays.push((await second.evaluate((text) => window.seenAt[text], `Take ${n}`)) - pressed);
  }
  return delays;
}
