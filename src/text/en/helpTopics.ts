/** The five short pages of help; their titles stand on every page, what they say does not. */
export const HELP_TOPICS = ['want', 'choice', 'reading', 'day', 'data'] as const;
export type HelpTopic = (typeof HELP_TOPICS)[number];

export const HELP_TITLES: Readonly<Record<HelpTopic, string>> = {
  want: 'Say what you want',
  choice: 'How the choice is made',
  reading: 'Reading the chart, the score and the lanes',
  day: 'The day and the bag',
  data: 'Your data and your privacy',
};

export const helpTitleText = { help: 'Help', about: (title: string) => `Help: ${title}` };
