/** Whether a file's name is that of a picture. */
export const isPictureName = (name: string): boolean => PICTURE_END.test(name);

/** The name without the end that tells the kind of picture. */
export const withoutPictureEnd = (name: string): string => name.replace(PICTURE_END, '');

const PICTURE_END = /\.(png|jpe?g|webp|gif|bmp)$/i;
