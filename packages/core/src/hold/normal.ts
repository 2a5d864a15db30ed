/** Root of twice pi. */
const ROOT_TAU = Math.sqrt(2 * Math.PI)

/** Share of the bell curve below z: Hart's rational form as West prints it; to fourteen figures. */
export function below(z: number): number {
  const a = Math.abs(z)
  if (a > 37) return z > 0 ? 1 : 0
  const bell = Math.exp((-a * a) / 2)
  let tail: number
  if (a < 7.07106781186547) {
    const up =
      (((((3.52624965998911e-2 * a + 0.700383064443688) * a + 6.37396220353165) * a + 33.912866078383) * a +
        112.079291497871) *
        a +
        221.213596169931) *
        a +
      220.206867912376
    const down =
      ((((((8.83883476483184e-2 * a + 1.75566716318264) * a + 16.064177579207) * a + 86.7807322029461) * a +
        296.564248779674) *
        a +
        637.333633378831) *
        a +
        793.826512519948) *
        a +
      440.413735824752
    tail = (bell * up) / down
  } else {
    tail = bell / (ROOT_TAU * (a + 1 / (a + 2 / (a + 3 / (a + 4 / (a + 0.65))))))
  }
  return z > 0 ? 1 - tail : tail
}
