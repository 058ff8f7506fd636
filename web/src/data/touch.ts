/** True where there is a touch screen, so that the keypad is needed. */
export const HAS_TOUCH = navigator.maxTouchPoints > 0 || matchMedia('(any-pointer: coarse)').matches
