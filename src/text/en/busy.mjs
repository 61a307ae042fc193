/** What is said to whom the server can't take in: in plain JavaScript, since it is said before anything is loaded. */
export const busy = {
  code: 'busy',
  message: 'Too many outings are being worked out. Try again in a moment.',
};
