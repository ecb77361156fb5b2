/** The package's main file cannot be imported where packages are ES modules; its module file can, and has no types of its own. */
declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export { MaxRectsPacker } from 'maxrects-packer';
}
