import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** Rows of one table are made by one template: the first of them tell what all of them do, and five hundred take a quarter of a minute. */
const MORE_OF_THE_SAME = 'tbody tr:nth-child(n + 12)'

/** No rule of accessibility is broken on the page as it stands. */
export async function expectAccessible(page: Page): Promise<void> {
  // No page of ours holds another in a frame: without the search for frames a check takes half the time, and finds the same.
  expect(page.frames()).toHaveLength(1)
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .exclude(MORE_OF_THE_SAME)
    .analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(node => node.target).join(' ')}`)).toEqual([])
}
