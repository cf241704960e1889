/** A table without a format: column names and rows of cells. Writers turn it into bytes. */
export interface Table {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}
