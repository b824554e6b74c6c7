declare module 'plotly.js-basic-dist-min' {
  import type * as PlotlyTypes from 'plotly.js';
  const plotly: typeof PlotlyTypes;
  export default plotly;
}
