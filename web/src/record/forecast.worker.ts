/** Fits practice curves away from the page. */
import { seeded } from '@tachymetra/core/number'
import { forecast } from '@tachymetra/core/plan'
import type { ForecastAsked, ForecastSaid } from './useForecast.js'

addEventListener('message', ({ data }: MessageEvent<ForecastAsked>) => {
  const say = (said: ForecastSaid) => postMessage(said)
  // One seed, so that the same record always gives the same forecast.
  const outlook = forecast(data.paces, data.targetMs, seeded(1), (share) => {
    say({ share })
    return true
  })
  say({ outlook })
})
