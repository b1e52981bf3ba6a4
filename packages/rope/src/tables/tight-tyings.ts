// Written by `npm run knots`; not by hand.
import type { KeptTight } from '../base/own-knot.js';

/** Tyings drawn tight from their own layouts. */
// oxfmt-ignore
export const TIGHT_TYINGS: Readonly<Record<string, KeptTight | undefined>> = {
  'fastening-off': {"size":{"uses":[{"value":32.446,"off":1.136}],"length":{"value":7.656,"off":0.383},"width":{"value":4.254,"off":0.213},"thickness":{"value":3.703,"off":0.185}},"passes":4.384},
  'half-knot.left.1': {"size":{"uses":[{"value":0,"off":0},{"value":7.239,"off":0.036},{"value":7.139,"off":0.036}],"length":{"value":2.034,"off":0.041},"width":{"value":7.185,"off":0.144},"thickness":{"value":2.991,"off":0.06}},"passes":7.133},
  'half-knot.left': {"size":{"uses":[{"value":0,"off":0},{"value":0,"off":0},{"value":9.459,"off":0.047},{"value":9.275,"off":0.046}],"length":{"value":2.038,"off":0.041},"width":{"value":9.463,"off":0.189},"thickness":{"value":3.007,"off":0.06}},"passes":10.548},
  'half-knot.left.3': {"size":{"uses":[{"value":0,"off":0},{"value":0,"off":0},{"value":0,"off":0},{"value":11.638,"off":0.058},{"value":11.478,"off":0.057}],"length":{"value":2.076,"off":0.042},"width":{"value":11.646,"off":0.233},"thickness":{"value":3.012,"off":0.06}},"passes":11.543},
  'half-knot.left.4': {"size":{"uses":[{"value":0,"off":0},{"value":0,"off":0},{"value":0,"off":0},{"value":0,"off":0},{"value":13.876,"off":0.069},{"value":13.743,"off":0.069}],"length":{"value":2.151,"off":0.043},"width":{"value":13.917,"off":0.278},"thickness":{"value":2.999,"off":0.06}},"passes":13.722},
  'square-knot': {"size":{"uses":[{"value":0,"off":0},{"value":0,"off":0},{"value":15.407,"off":0.077},{"value":15.415,"off":0.077}],"length":{"value":4.251,"off":0.085},"width":{"value":7.225,"off":0.145},"thickness":{"value":3.315,"off":0.066}},"passes":7.128},
  'spiral': {"size":{"uses":[{"value":0,"off":0},{"value":0,"off":0},{"value":23.285,"off":0.116},{"value":23.333,"off":0.117}],"length":{"value":7.935,"off":0.159},"width":{"value":7.248,"off":0.145},"thickness":{"value":3.062,"off":0.061}},"passes":7.259},
  'granny': {"size":{"uses":[{"value":0,"off":0},{"value":0,"off":0},{"value":15.584,"off":0.078},{"value":15.624,"off":0.078}],"length":{"value":4.303,"off":0.086},"width":{"value":7.27,"off":0.145},"thickness":{"value":3.026,"off":0.061}},"passes":7.299},
  'double-half-hitch.forward': {"size":{"uses":[{"value":0,"off":0},{"value":17.498,"off":0.087}],"length":{"value":3.794,"off":0.076},"width":{"value":3.975,"off":0.079},"thickness":{"value":3.322,"off":0.066}},"passes":39.304},
  'double-half-hitch.back': {"size":{"uses":[{"value":0,"off":0},{"value":17.507,"off":0.088}],"length":{"value":3.742,"off":0.075},"width":{"value":3.971,"off":0.079},"thickness":{"value":3.335,"off":0.067}},"passes":39.074},
  'anchor-bend': {"size":{"uses":[{"value":0,"off":0},{"value":21.851,"off":0.109}],"length":{"value":3.243,"off":0.111},"width":{"value":4.684,"off":0.094},"thickness":{"value":4.007,"off":0.08}},"passes":5.308},
  'cow-hitch': {"size":{"uses":[{"value":0,"off":0},{"value":17.649,"off":0.088}],"length":{"value":4.142,"off":0.083},"width":{"value":3.98,"off":0.08},"thickness":{"value":3.001,"off":0.06}},"passes":32.05},
  'clinch': {"size":{"uses":[{"value":0,"off":0},{"value":32.322,"off":0.162}],"length":{"value":5.149,"off":0.154},"width":{"value":7.323,"off":0.146},"thickness":{"value":4,"off":0.08}},"passes":9.743},
  'square-bend': {"size":{"uses":[{"value":8.657,"off":0.043},{"value":8.649,"off":0.043}],"length":{"value":4.006,"off":0.08},"width":{"value":4.061,"off":0.081},"thickness":{"value":2.4,"off":0.048}},"passes":10.17},
  'granny-bend': {"size":{"uses":[{"value":9.493,"off":0.047},{"value":9.482,"off":0.047}],"length":{"value":3.937,"off":0.079},"width":{"value":4.522,"off":0.09},"thickness":{"value":2.526,"off":0.051}},"passes":9.048},
  'surgeons': {"size":{"uses":[{"value":13.819,"off":0.069},{"value":13.671,"off":0.068}],"length":{"value":3.97,"off":0.079},"width":{"value":6.504,"off":0.135},"thickness":{"value":2.511,"off":0.05}},"passes":16.868},
  'coil.straw.3': {"size":{"uses":[{"value":0,"off":0},{"value":40.677,"off":0.203}],"length":{"value":7.152,"off":0.143},"width":{"value":6.564,"off":0.151},"thickness":{"value":4.368,"off":0.087}},"passes":12.917},
  'coil.straw.4': {"size":{"uses":[{"value":0,"off":0},{"value":56.56,"off":0.283}],"length":{"value":10.47,"off":0.209},"width":{"value":6.629,"off":0.317},"thickness":{"value":4.78,"off":0.153}},"passes":14.127},
  'coil.straw.5': {"size":{"uses":[{"value":0,"off":0},{"value":70.499,"off":2.705}],"length":{"value":14.225,"off":1.682},"width":{"value":6.244,"off":0.43},"thickness":{"value":5.224,"off":0.855}},"passes":15.339},
  'coil.straw.6': {"size":{"uses":[{"value":0,"off":0},{"value":89.097,"off":5.569}],"length":{"value":20.92,"off":2.91},"width":{"value":6.047,"off":0.302},"thickness":{"value":4.288,"off":0.214}},"passes":7.502},
  'coil.bight.3': {"size":{"uses":[{"value":0,"off":0},{"value":34.207,"off":0.171}],"length":{"value":11.688,"off":0.234},"width":{"value":4.679,"off":0.094},"thickness":{"value":3.972,"off":0.079}},"passes":4.79},
  'coil.bight.4': {"size":{"uses":[{"value":0,"off":0},{"value":43.156,"off":0.216}],"length":{"value":14.432,"off":0.289},"width":{"value":5.399,"off":0.108},"thickness":{"value":4.037,"off":0.081}},"passes":5.466},
  'coil.bight.5': {"size":{"uses":[{"value":0,"off":0},{"value":53.181,"off":0.266}],"length":{"value":16.826,"off":0.337},"width":{"value":5.644,"off":0.113},"thickness":{"value":4.022,"off":0.08}},"passes":5.614},
  'coil.bight.6': {"size":{"uses":[{"value":0,"off":0},{"value":64.018,"off":0.32}],"length":{"value":20.298,"off":0.406},"width":{"value":5.129,"off":0.12},"thickness":{"value":4.444,"off":0.089}},"passes":5.157},
  'seizing': {"size":{"uses":[{"value":0,"off":0},{"value":0,"off":0},{"value":64.594,"off":0.323}],"length":{"value":19.54,"off":0.391},"width":{"value":5.28,"off":0.106},"thickness":{"value":4.442,"off":0.089}},"passes":5.359},
  'carrick.3': {"size":{"uses":[{"value":24.71,"off":0.693},{"value":8.47,"off":0.478},{"value":9.649,"off":0.448}],"length":{"value":5.449,"off":0.232},"width":{"value":6.053,"off":0.121},"thickness":{"value":4.652,"off":0.102}},"passes":6.077},
  'carrick.4': {"size":{"uses":[{"value":18.823,"off":0.094},{"value":21.745,"off":0.109},{"value":18.829,"off":0.094},{"value":21.739,"off":0.109}],"length":{"value":7.99,"off":0.16},"width":{"value":9.694,"off":0.194},"thickness":{"value":3.256,"off":0.065}},"passes":9.702},
  'bow.half': {"size":{"uses":[{"value":0.756,"off":0.004},{"value":9.375,"off":0.081}],"length":{"value":2.845,"off":0.058},"width":{"value":4.693,"off":0.094},"thickness":{"value":2.286,"off":0.046}},"passes":9.643},
};
