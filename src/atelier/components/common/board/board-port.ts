/** An input or an output of a node, as far as the board is concerned. */
export interface BoardPort {
  readonly name: string;
  /** As it is shown, where its name says too little or is no word. */
  readonly label?: string;
}
