/** Lower triangle whose square a symmetric matrix is, both by rows; null where it is not positive. @param size of a side */
export function cholesky(matrix: Float64Array, size: number): Float64Array | null {
  const lower = new Float64Array(size * size)
  for (let row = 0; row < size; row++)
    for (let column = 0; column <= row; column++) {
      let sum = matrix[row * size + column] as number
      for (let k = 0; k < column; k++)
        sum -= (lower[row * size + k] as number) * (lower[column * size + k] as number)
      if (row === column) {
        if (!(sum > 0)) return null
        lower[row * size + row] = Math.sqrt(sum)
      } else lower[row * size + column] = sum / (lower[column * size + column] as number)
    }
  return lower
}

/** x of L·Lᵀ·x = b. @param lower from `cholesky` */
export function solve(lower: Float64Array, size: number, b: Float64Array): Float64Array {
  const x = Float64Array.from(b)
  for (let row = 0; row < size; row++) {
    for (let k = 0; k < row; k++)
      x[row] = (x[row] as number) - (lower[row * size + k] as number) * (x[k] as number)
    x[row] = (x[row] as number) / (lower[row * size + row] as number)
  }
  return solveUpper(lower, size, x)
}

/** x of Lᵀ·x = b. @param lower from `cholesky` */
export function solveUpper(lower: Float64Array, size: number, b: Float64Array): Float64Array {
  const x = Float64Array.from(b)
  for (let row = size - 1; row >= 0; row--) {
    for (let k = row + 1; k < size; k++)
      x[row] = (x[row] as number) - (lower[k * size + row] as number) * (x[k] as number)
    x[row] = (x[row] as number) / (lower[row * size + row] as number)
  }
  return x
}
