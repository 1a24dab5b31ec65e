/**
 * Scene files (MVR 1.4 to 1.6, DIN SPEC 15801) to drawings and back.
 *
 * A scene is a flat ZIP with {@code GeneralSceneDescription.xml} and whatever that names. Its matrices are in
 * millimetres, each in the frame of what it stands in; a show's places are in metres on the stage.
 */
package app.loculus.formats.mvr;
