import { listWords } from '../../lists';

/** What the forms about an account say. */
export const copy = {
  passwordNow: 'Password',
  passwordHad: 'Password you have',
  passwordNew: 'New password',
  passwordHint: 'At least 12 characters. A few unrelated words are easy to remember.',
  changePassword: 'Change the password',
  passwordChanged: 'The password is changed. Every other device is signed out.',
  changeAddress: 'Change the address',
  addressNew: 'New address',
  addressText: 'Both addresses get mail with a link. The address changes once both links were followed.',
  sendLinks: 'Send the links',
  linksSent: 'Mail is on its way to both addresses.',
  noMail: 'This Tembrin sends no mail, so an address cannot be confirmed. Whoever runs it can set that up.',
  passkey: 'Add a passkey',
  passkeyName: 'What to call it',
  passkeyNameHint: 'By the device it is on, like “Kitchen tablet”.',
  passkeyText: 'Your device will ask for what unlocks it: a finger, a face, a code.',
  makePasskey: 'Make the passkey',
  passkeyMade: 'The passkey is there. Sign in with it from now on.',
  notHere: (host: string) => `Passkeys hold for a name: open Tembrin at ${host} and do it there.`,
  notGiven: 'No passkey came from this device. Try again, or go on with the password.',
  leave: 'Leave for good',
  leaveWhat: (taking: readonly string[]) =>
    taking.length > 0
      ? `In seven days the account goes, and with it ${listWords(taking)}: instruments, their log, readings and photographs. Nobody can bring it back then.`
      : 'In seven days the account goes. What others keep stays with them.',
  leaveBefore: 'Before that you can take it back on the account’s page, or sign in and do so.',
  takeOut: 'Take everything out first',
  takeOutText: 'The household in one file that Tembrin reads again, the photographs in another.',
  confirmLeave: 'Remove it in seven days',
  leaving: 'The removal is set. It can be taken back until then.',
  forgotten: 'Forgotten password',
  forgottenText:
    'Say which address the account has. If there is one, mail with a link is on its way in a moment; it is good for half an hour.',
  sendLink: 'Send the link',
  linkSent: 'If there is an account with this address, mail is on its way to it. Look into the spam folder too.',
  backToSignIn: 'Back to signing in',
  reset: 'Choose a new password',
  resetText: 'Every device is signed out then, this one too.',
  resetDone: 'The new password is kept. Sign in with it.',
  confirm: 'Confirm an address',
  confirmText: 'Press to confirm that mail to this address reaches you.',
  confirmIt: 'Confirm',
  confirmed: (email: string) => `The account has the address ${email} now. Sign in with it from now on.`,
  otherAsked: (email: string) =>
    `Confirmed. The change to ${email} is made once the link in the other mail is followed too.`,
  toTembrin: 'Go to Tembrin',
  noKey: 'This page is opened by a link in a mail. The link may have been cut off: copy all of it.',
} as const;
