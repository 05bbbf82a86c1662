/** A document that fits the contract, as JSON text, and as it is stored; with what the shelf shows of it. */
export interface MadeDocument {
  json: string;
  packed: string;
  name: string;
  garment: string;
  pieces: number;
}

/** A change from one document to another: both patches as JSON text, and as they are stored. */
export interface MadeChange extends MadeDocument {
  patch: string;
  inverse: string;
  packedPatch: string;
  packedInverse: string;
  /** What is answered of the drawn pieces, as JSON text, where a pattern came in. */
  answer?: string;
}

/** What a request to change a project asks: the patch as JSON text. */
export interface ChangeAsked {
  revision: number;
  label: string;
  patch: string;
}
