/** Widths in pixels in which pictures are sent to be looked at. */
export const PICTURE_WIDTHS = [160, 320, 640, 960, 1280] as const;
