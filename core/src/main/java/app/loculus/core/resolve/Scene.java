package app.loculus.core.resolve;

import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Patch;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.PaletteId;
import java.util.Map;

/** Everything that decides what the lights do. */
public record Scene(Patch patch, Map<PaletteId, Palette> palettes, Programmer programmer, ColourAnswers answers) {}
