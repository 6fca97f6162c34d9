/** The shape that events are written in; older ones are brought up by `upcast`. */
export const EVENT_VERSION = 5
