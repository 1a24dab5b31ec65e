package app.loculus.core.play;

import app.loculus.core.look.CueId;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.selection.GroupId;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.CueListId;

/** What runs after a press. @param at when, in microseconds */
record Pressed(Playing before, long at, Repertoire repertoire) implements Press.Cases<Playing> {

    @Override
    public Playing go(CueListId list) {
        return before.go(list, at, repertoire);
    }

    @Override
    public Playing back(CueListId list) {
        return before.back(list, at, repertoire);
    }

    @Override
    public Playing pause(CueListId list) {
        return before.pause(list, at);
    }

    @Override
    public Playing jump(CueListId list, CueId cue) {
        return before.jump(list, cue, at, repertoire);
    }

    @Override
    public Playing release(CueListId list) {
        return before.release(list, at, repertoire);
    }

    @Override
    public Playing releaseAll() {
        return before.releaseAll(at, repertoire);
    }

    @Override
    public Playing level(CueListId list, Fraction level) {
        return before.level(list, level);
    }

    @Override
    public Playing rate(CueListId list, double rate) {
        return before.rate(list, rate, at);
    }

    @Override
    public Playing tap(CueListId list) {
        return before.tap(list, at);
    }

    @Override
    public Playing under(SubmasterId submaster, Fraction level) {
        return before.submaster(submaster, level, at).on(repertoire, at);
    }

    @Override
    public Playing flash(SubmasterId submaster, boolean held) {
        return before.flash(submaster, held, at).on(repertoire, at);
    }

    @Override
    public Playing group(GroupId group, Fraction level) {
        return before.group(group, level, at, repertoire);
    }

    @Override
    public Playing master(Fraction level) {
        return before.master(level);
    }

    @Override
    public Playing blind(boolean on) {
        return before.blind(on);
    }
}
