import type { NotWritten } from '@/core/job/happenings'

/** Why the server does not do what was asked, and what to do instead: each sentence once. */
export const REFUSALS = {
  eventOfAnotherJob: 'This was done on another job. Open that job and record it there.',
  clockAhead:
    'This was made while the tablet’s clock was more than a day ahead. Set the clock right, then record it again.',
  nobodyOfThisCrew: 'This was done by somebody who is not of this crew. Send it as a note, in your own name.',
  signedForAnother: 'This signature bears another name than the person’s who acts. Sign again.',
  storedOtherwise: 'Something else is stored under this number already. Record it again, if it is not there.',
  jobGone: 'This job is not in your shop any more. Open Today and go on from there.',
  noSuchJob: 'There is no such job in your shop. Open Today and choose one.',
  setupClosed: 'No new shop is set up on this installation. Ask who runs it.',
  setupCode:
    'This is not this installation’s set-up code. Who runs it sees it where bin/start runs, and in its data folder.',
  fieldsNeedALook: 'Some fields need another look.',
  choosePerson: 'Choose a person from the list.',
  chooseKit: 'Choose a kit from the list.',
  chooseProcedure: 'Choose a procedure from the list.',
  chooseNameAndPin: 'Choose a name and enter the PIN.',
  nameTheModel: 'Say what the model is called, in at most 80 characters.',
  beginsWithUnknownModel: 'The model it should begin with is not in your shop. Choose another one.',
  fileTooLarge: 'This file is larger than 3 MB. Choose a procedure file that was exported from here.',
  notYourProcedure: 'This procedure is not in your shop. Open the list of procedures and choose one.',
  notYourProcedureChoose: 'This procedure is not in your shop. Choose one from the list.',
  procedureGone: 'This procedure is not in your shop any more. Copy what you typed and open the list of procedures.',
  noteGone: 'This note can’t be found any more. Open the page again.',
  deviceGone: 'This device is not known in your shop any more. Load the page again.',
  thingGone: 'This can’t be found any more. Open the page again.',
  demoGone:
    'The demo is not here: it was removed, or this is not the machine it runs on. Set up your own shop instead.',
  noDraft: 'There is no draft to publish: nothing has changed since the last revision.',
  nothingToPublish: 'There is nothing to publish yet. Add a part first.',
  notSafeToPublish:
    'Nobody could work safely from this record yet. Mend the problems marked with a circle of arrows first.',
  notYourself: 'You can’t retire yourself. Let another owner do it.',
  ownShopStays: 'This is your own shop, not the demo: it stays.',
  notYourVehicle: 'This vehicle is not in your shop. Open the list of vehicles and choose one.',
  notYourVehicleChoose: 'This vehicle is not in your shop. Choose one from the list.',
  vehicleWithoutModel: 'Nobody has said which model this vehicle is. Open the vehicle and choose its procedure.',
  personGone: 'This person is no longer in the crew. Choose another name.',
  wrongPin: 'That is not the PIN. Try again.',
  demoSecrets: 'This is the demo: its passwords are made anew by the machine it runs on. Set up your own shop instead.',
  wrongCode: 'That is not the code. Wait for the next one and try again.',
  wrongPassword: 'That is not your password now. Try again.',
  notYourPassword:
    'Only who signed this device in changes that password here. Sign in as yourself, or ask the owner for a new one.',
  signsNothingIn: 'This person acts by PIN and signs no device in. Give a new PIN instead.',
  notYourModelChoose: 'This model is not in your shop. Choose one from the list.',
  notBypassed:
    'A signal that keeps the driver from watching on the move is never bypassed. Join it to the real signal; local law decides.',
  workWaitsForItself: 'A work item waits for itself. Change what it comes after.',
  shopChanged: 'Somebody else has changed this meanwhile. Copy what you typed, load the page again and put it in.',
  kitChanged: 'Somebody else has changed this kit meanwhile. Copy what you typed, load the page again and put it in.',
  kitsChangedSince:
    'A kit of this plan was changed or taken away meanwhile: the sum would be another one. Load the page again, then write it.',
  noWayForLeads: 'There is no way for a lead of this job. Plan it again: the plan says what is in the way.',
  kitsMeet:
    'Two of these kits are the same one, or a thing of a kit has the mark of another thing. Begin the kit anew as a copy, and choose that.',
  notAPicture: 'This is no picture that can be read here. Take it again, as JPEG or PNG of at most 40 million dots.',
  notARecording:
    'This is no recording that can be kept here. Record it again, in less than ten minutes, or write the note.',
  somethingBroke: 'Something broke at the shop’s machine. Nothing is lost: try again in a moment.',
  signInFirst: 'Sign in first.',
  sayJobAndMedia: 'Say which job and whether it is a photo or a voice.',
  noPublishedProcedure:
    'Your shop has no published procedure with this id. Publish it, or take the id from its address.',
  recordChanges: 'Somebody is changing this record just now. Try again in a moment.',
  manyPlansAsked: 'So many plans of your shop wait already. Try again when they are done.',
  nobodyWaits: 'Nobody waits for this plan any more.',
  manySheetsAsked: 'So many sheets of your shop wait already. Try again when they are made.',
  planTooLarge: 'This plan needs more memory than one question may have. Choose fewer goals at once.',
  planTookTooLong: (seconds: number) =>
    `No order was found within ${seconds} seconds. Choose fewer goals at once, or another habit; on the page Plan it can be looked for longer.`,
  mediumTookTooLong: (seconds: number) =>
    `This could not be read within ${seconds} seconds. Take it again, smaller or shorter.`,
  sheetTookTooLong: (seconds: number) =>
    `The sheet could not be made within ${seconds} seconds. Try again; what it says stands on the hand-over page.`,
  jobIsFull: (most: number) =>
    `This job holds ${most} entries already. Hand it over, and open another job for the rest.`,
  diskFull: (freeMb: number) =>
    `Only ${freeMb} MB are free where the data lies. Make room: soon nothing more can be kept.`,
  clockWentBack: (back: string) =>
    `The clock of the shop’s machine was set back by ${back} while it ran. See that it is right now, then start Istruzione again.`,
  tooManyTries: (waitS: number) => `Too many tries. Wait ${waitS} seconds, then try again.`,
  personCalledSo: (name: string) =>
    `There is already somebody called ${name}. Add a letter, so that a tap on the name is clear.`,
  vehicleCalledSo: (label: string) =>
    `There is already a vehicle called ${label}. Choose another label, or pick that one from the list.`,
  deviceCalledSo: (name: string) => `Another device is called “${name}”. Add what tells them apart.`,
  kitCalledSo: (name: string) => `There is already a kit called “${name}”. Give this one another name.`,
  userNameTaken: (username: string) => `The user name ${username} is taken. Choose another one.`,
  builtInRule: (id: string) => `“${id}” is a built-in rule. It can be raised, not replaced.`,
  knownAsAnotherModel: (label: string) =>
    `${label} is known as another model. Leave the model as it is, or change it on the vehicle’s page first.`,
  recordNewer: (place: string) =>
    `This record was written by a newer version of Istruzione (${place}). Nothing is changed in it here: bring the shop’s own machine up to date first.`,
  kitNewer: (name: string) =>
    `“${name}” was written by a newer version of Istruzione and can’t be shown here. It stays as it is: bring the shop’s own machine up to date.`,
  changeUnread: (why: string) => `This change can’t be read: ${why}`,
  eventsUnread: (why: string) => `These events can’t be read: ${why} They stay on the device.`,
  eventUnread: (why: string) => `This can’t be read: ${why} Record it again, or send it as a note.`,
  planUnread: (why: string) => `This can’t be planned: ${why}`,
  needs: (atLeast: 'lead' | 'owner') =>
    `This needs ${atLeast === 'owner' ? 'the owner' : 'a lead'}. Tap the name at the top and change who acts.`,
} as const

/** What the shop's machine lacks so that it can't work, for who looks after it. */
export const OUT_OF_ORDER = {
  room: 'The disk of the shop’s machine is full: nothing can be kept there. Make room on it.',
  'a disk that takes something':
    'The disk of the shop’s machine takes nothing any more. Look at it now: it may be about to die.',
  connections: 'Too many use the shop’s database at once. It is tried again in a moment.',
  'a database':
    'The shop’s database does not answer just now. If it stays so, postgres.log in the data folder says why.',
} as const

/** The same for a tablet at work, where there is no room to read. */
export const OUT_OF_ORDER_SHORT: Readonly<Record<keyof typeof OUT_OF_ORDER, string>> = {
  room: 'The shop’s disk is full.',
  'a disk that takes something': 'The shop’s disk takes nothing.',
  connections: 'Too many ask the shop at once.',
  'a database': 'The shop’s database is silent.',
}

/** Why somebody may not write a happening themselves, and what to do. */
export const NOT_WRITTEN: Readonly<Record<NotWritten, string>> = {
  'the shop writes it':
    'The shop writes this itself: a vehicle is handed over from the hand-over page, where the gate is checked.',
  'needs a lead': 'Only a lead decides this. Tap the name at the top and change who acts.',
  'had left':
    'The person who decided or signed this is no longer in the crew. Somebody who is has to decide or sign it anew.',
  'held: acts now':
    'This is a signature or a lead’s decision: it counts once that person acts on this tablet. Tap the name and enter the PIN once, then it is sent.',
  'held: has acted':
    'The person who did this has not acted on this tablet since it was signed in. Tap the name and enter the PIN once, then it is sent.',
}
