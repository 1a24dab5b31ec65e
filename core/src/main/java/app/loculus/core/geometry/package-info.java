/**
 * Places, turns and where a beam goes.
 *
 * Stage convention, written once: metres; +x to the audience's right, +y upstage, +z up. A fixture at
 * home hangs with its beam along −z; pan turns about z, tilt about x:
 * d = Rz(pan)·Rx(tilt)·(0,0,−1) = (−sin p·sin t, cos p·sin t, −cos t).
 * Rotations are right-handed.
 */
package app.loculus.core.geometry;
