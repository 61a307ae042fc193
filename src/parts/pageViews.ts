import { carryText, lineupText, logText, nextText } from '@/text';

/** The views of each page that answers several questions: the key in its address, and its name. */
export const PAGE_VIEWS = {
  '/lineup': [
    ['choice', lineupText.views.choice],
    ['pictures', lineupText.views.pictures],
    ['ranges', lineupText.views.ranges],
    ['styles', lineupText.views.styles],
    ['alternatives', lineupText.views.alternatives],
    ['breaks', lineupText.views.breaks],
    ['out', lineupText.views.out],
  ],
  '/carry': [
    ['stretches', carryText.views.stretches],
    ['packing', carryText.views.packing],
    ['bag', carryText.views.bag],
    ['whatif', carryText.views.whatIf],
  ],
  '/log': [
    ['used', logText.page.used],
    ['against', logText.page.against],
    ['hindsight', logText.page.hindsight],
    ['frames', logText.page.frames],
    ['lessons', logText.page.lessons],
    ['photographs', logText.page.photographs],
  ],
  '/next': [
    ['missing', nextText.page.missing],
    ['step', nextText.page.step],
    ['buy', nextText.page.buy],
    ['sell', nextText.page.sell],
    ['swap', nextText.page.swap],
    ['rent', nextText.page.rent],
  ],
} as const;

export type PageWithViews = keyof typeof PAGE_VIEWS;
export type ViewKey<Page extends PageWithViews> = (typeof PAGE_VIEWS)[Page][number][0];

/** Whether a page answers several questions. */
export const isWithViews = (page: string): page is PageWithViews => page in PAGE_VIEWS;

/** Where a view of a page is found. */
export const viewHref = <Page extends PageWithViews>(page: Page, view: ViewKey<Page>) =>
  `${page}?view=${view}`;
