<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Facts\Substance as S;
use Ash\Treatments\Damage as D;
use Ash\Treatments\Material as M;
use Ash\Treatments\PartFlag as F;
use Ash\Treatments\TreatmentStep as Step;

/** The means there are, in the order of the handbook's table; common practice, no source. */
final readonly class MeansTable
{
    /** The means for which Electrolysis has the sums. */
    public const WITH_CURRENT = 'electrolysis';
    private const AIR = 'gloves, eye cover, fresh air';
    private const FIRE = 'flammable: no flame, no spark, fresh air, gloves';

    public static function named(string $id): ?Means
    {
        foreach (self::all() as $it) {
            if ($it->id === $id) {
                return $it;
            }
        }

        return null;
    }

    /** @return list<Means> */
    public static function all(): array
    {
        $plastics = [M::Abs, M::Polystyrene];

        return [
            new Means(
                id: 'brush_oil', for: [D::Rust], not: [M::PlatedSteel, F::Electronics], only: [M::Steel], care: [F::MagneticMediaNear], minutes: 20,
                reach: 'surface', risk: 1,
                steps: [
                    Step::work('Blow and wipe the loose dust off, away from drives and sensors.', 2),
                    Step::work('Brush the rust off with a steel brush, along the grain.', 12, 'eye cover: wires of the brush fly'),
                    Step::work('Wipe with alcohol until the cloth stays clean.', 3)->with(S::IsopropylAlcohol),
                    Step::work('Rub in a thin film of light oil and wipe off what stands.', 3)->with(S::LightOil),
                ],
            ),
            new Means(
                id: 'vinegar_soak', for: [D::Rust], not: [M::PlatedSteel, M::Aluminium, F::Electronics], only: [M::Steel],
                care: [F::PaintToKeep, F::Moving], minutes: 480, reach: 'pits', risk: 2,
                steps: [
                    Step::work('Wash grease and dirt off: acid does not reach through them.', 10),
                    Step::work(
                        'Lay the part into vinegar so that it is covered, in an open plastic vessel.',
                        5,
                        self::AIR.'; never with bleach or peroxide',
                    )->with(S::AceticAcid),
                    Step::wait('Leave it to soak.', 225)->with(S::AceticAcid),
                    Step::work('Take it out, brush it, look, turn it and lay it back.', 10)->with(S::AceticAcid),
                    Step::wait('Leave it to soak again.', 210)->with(S::AceticAcid),
                    Step::work('Brush and rinse with plenty of water.', 8)->with(S::Water)->clean(),
                    Step::work('Dip into washing soda, rinse again.', 4, 'it foams: not in a closed vessel')->with(S::SodiumCarbonate)->clean(),
                    Step::work('Dry it at once with warm air and oil it.', 8),
                ],
            ),
            new Means(
                id: 'electrolysis', for: [D::Rust], not: [M::PlatedSteel, M::Aluminium, F::Electronics, F::Moving], only: [M::Steel],
                care: [F::PaintToKeep], minutes: 30, reach: 'pits', risk: 3,
                steps: [
                    Step::work('Degrease the part and scrape a bright spot for the clip.', 4),
                    Step::work('Dissolve 5 to 10 g of sodium carbonate in each litre of water.', 3, 'never salt: it gives chlorine')->with(S::SodiumCarbonate),
                    Step::work(
                        'Hang the part at minus, a bare carbon or mild steel anode at plus, touching nowhere.',
                        3,
                        'never stainless, never galvanised',
                    )->with(S::SodiumCarbonate),
                    Step::work('Switch the supply on with its current limit set.', 1, 'hydrogen: open vessel, fresh air, no flame')->with(S::SodiumCarbonate),
                    Step::wait('Let it run; look at the current and the warmth of the bath, stop at 60 C.', 14)->with(S::SodiumCarbonate),
                    Step::work('Supply off, then take the clips off.', 1, 'supply off first: a spark lights hydrogen')->with(S::SodiumCarbonate),
                    Step::work('Brush the black film off, rinse, dry at once, oil or wax.', 8)->with(S::Water)->clean(),
                ],
            ),
            new Means(
                id: 'rust_converter', for: [D::Rust], not: [M::PlatedSteel, F::Electronics, F::Moving], only: [M::Steel], care: [F::PaintToKeep],
                minutes: 60, reach: 'surface', risk: 2,
                steps: [
                    Step::work('Brush loose rust off and degrease.', 10),
                    Step::work('Brush the converter on thinly.', 5, self::AIR.'; its data sheet comes first')->with(S::PhosphoricAcid),
                    Step::wait('Leave it to work until it has turned dark.', 35)->with(S::PhosphoricAcid),
                    Step::work('Wipe off what is left, rinse where its sheet says so, dry.', 6)->with(S::Water)->clean(),
                    Step::work('Seal with oil, wax or paint.', 5),
                ],
            ),
            new Means(
                id: 'contact_cleaner', for: [D::CorrodedContact], not: [], only: [], care: [F::LabelToKeep, M::Rubber, M::Polystyrene], minutes: 10,
                reach: 'surface', risk: 1,
                steps: [
                    Step::work('Power off and unplugged; cover labels and what must stay dry.', 2, 'fresh air, no flame'),
                    Step::work('Spray a little cleaner made for contacts.', 1)->with(S::ContactCleaner),
                    Step::work('Move the contact a dozen times.', 2),
                    Step::wait('Let it dry before power comes back.', 5)->clean(),
                ],
            ),
            new Means(id: 'fibre_pen', for: [D::CorrodedContact, D::Rust], not: [
                M::GoldContact,
                F::Moving,
                M::Rubber,
                M::Abs,
                M::Polystyrene,
            ], only: [], care: [F::Electronics], minutes: 15, reach: 'surface', risk: 2, steps: [
                Step::work('Lay a damp cloth around the place, away from drives.', 2, 'glass splinters: gloves, eye cover'),
                Step::work('Rub lightly until the metal is bright.', 8),
                Step::work('Wipe the splinters up with the damp cloth, do not blow.', 2),
                Step::work('Wipe with alcohol, protect bare copper with a trace of oil or solder.', 3)->with(S::IsopropylAlcohol)->clean(),
            ]),
            new Means(
                id: 'alcohol_swab', for: [D::CorrodedContact, D::GreaseOld, D::Dirt], not: [M::Polystyrene], only: [],
                care: [F::LabelToKeep, M::Rubber], minutes: 10, reach: 'surface', risk: 1,
                steps: [
                    Step::work('Power off; wet a lint-free swab with isopropyl alcohol.', 1, self::FIRE)->with(S::IsopropylAlcohol),
                    Step::work('Wipe in one direction, a fresh swab for each pass.', 6)->with(S::IsopropylAlcohol),
                    Step::wait('Let it dry.', 3)->clean(),
                ],
            ),
            new Means(
                id: 'soap_wash', for: [D::Dirt], not: [F::Electronics, F::Moving], only: [], care: [F::LabelToKeep, M::Board], minutes: 30,
                reach: 'surface', risk: 1,
                steps: [
                    Step::work('Take off all that must not get wet; cover labels.', 5),
                    Step::work('Wash with lukewarm water and a little detergent, a soft brush in the corners.', 10)->with(S::Water, S::Detergent),
                    Step::work('Rinse with clean water, last with demineralised water.', 4)->with(S::Water)->clean(),
                    Step::work('Dab it dry with a soft cloth.', 3),
                    Step::wait('Let it dry in moving air.', 8, 'a board dries 24 to 48 h, warm, before power'),
                ],
            ),
            new Means(id: 'cream_cleaner', for: [D::Dirt], not: [
                F::Electronics,
                F::Moving,
                M::Board,
                M::GoldContact,
            ], only: [], care: [F::LabelToKeep, F::PaintToKeep], minutes: 30, reach: 'surface', risk: 2, steps: [
                Step::work('Try it on a hidden place first: it scours, and takes gloss off.', 5),
                Step::work('Rub a little cream on a damp cloth over the dirt, lightly.', 15)->with(S::Detergent),
                Step::work('Wipe off with clean water until nothing white stays.', 7)->with(S::Water)->clean(),
                Step::work('Dry it.', 3),
            ]),
            new Means(
                id: 'melamine_sponge', for: [D::Dirt], not: [F::Electronics, M::GoldContact, M::Board], only: [],
                care: [F::PaintToKeep, F::LabelToKeep], minutes: 15, reach: 'surface', risk: 2,
                steps: [
                    Step::work('Wet the sponge and try it on a hidden place: it is fine sandpaper.', 3)->with(S::Water),
                    Step::work('Wipe without pressing, rinse the sponge often.', 9),
                    Step::work('Wipe with a damp cloth and dry.', 3),
                ],
            ),
            new Means(
                id: 'vapour_brightening', for: [D::Yellowing], not: [F::Electronics, F::Moving], only: $plastics,
                care: [F::LabelToKeep, F::PaintToKeep], minutes: 4320, reach: 'surface', risk: 3,
                steps: [
                    Step::work('Take the part off, wash and dry it; take a picture with the reference patch and a grey card.', 40),
                    Step::work(
                        'Pour a little peroxide into the bottom of a box; stand the part above it, touching no liquid.',
                        20,
                        'peroxide: gloves and goggles, local rules above 12 %; keep acids, acetone and metals away',
                    )->with(S::HydrogenPeroxide),
                    Step::work(
                        'Shut the box, never gas-tight, in a ventilated room, under ultraviolet light, below 40 C.',
                        10,
                        'it gives off oxygen: never seal it; do not look into the light',
                    )->with(S::HydrogenPeroxide),
                    Step::wait('Let it brighten; look and measure.', 1400)->with(S::HydrogenPeroxide),
                    Step::work(
                        'Turn it so that no corner stays behind, measure, note the hours.',
                        15,
                        'gloves: it weakens old plastic',
                    )->with(S::HydrogenPeroxide),
                    Step::wait('Let it brighten again; stop as soon as the reference patch matches.', 1420)->with(S::HydrogenPeroxide),
                    Step::work('Turn it, measure, note the hours.', 15)->with(S::HydrogenPeroxide),
                    Step::wait('Let it brighten a last time.', 1360)->with(S::HydrogenPeroxide),
                    Step::work('Rinse, dry, take the picture again; yellowing returns in the dark.', 40)->with(S::Water)->clean(),
                ],
            ),
            new Means(
                id: 'sun_alone', for: [D::Yellowing], not: [F::Electronics, F::Moving], only: $plastics, care: [F::LabelToKeep], minutes: 14_400,
                reach: 'surface', risk: 2,
                steps: [
                    Step::work('Take the part off, wash and dry it; take a picture with the reference patch.', 40),
                    Step::wait('Lay it in bright sun, cool enough to touch; turn it each day.', 7150),
                    Step::work('Measure beside the reference patch.', 10),
                    Step::wait('Back into the sun until it matches or changes no more.', 7150, 'heat warps plastic: in moving air, never behind glass'),
                    Step::work('Wipe it and take the picture again.', 20),
                ],
            ),
            new Means(
                id: 'degrease_relube', for: [D::GreaseOld], not: [F::MagneticMediaNear, M::Rubber, M::Polystyrene], only: [],
                care: [F::Electronics, M::Abs], minutes: 40, reach: 'mechanism', risk: 2,
                steps: [
                    Step::work('Take pictures of what sits where; take out belts and media.', 5),
                    Step::work('Wipe the old grease out with alcohol and swabs.', 18, self::FIRE)->with(S::IsopropylAlcohol),
                    Step::wait('Let it dry.', 5)->clean(),
                    Step::work(
                        'Very little light oil into a brass bush, a trace of grease on slides; nothing on plastic bushes, heads or belts.',
                        7,
                    )->with(S::LightOil),
                    Step::work('Turn it by hand through its whole way.', 5),
                ],
            ),
            new Means(
                id: 'scrape_replace_foam', for: [D::FoamRot], not: [], only: [], care: [F::Electronics, M::Polystyrene], minutes: 60,
                reach: 'surface', risk: 1,
                steps: [
                    Step::work('Scrape the foam off with plastic, over a bag.', 20, 'sticky dust: gloves, not into drives'),
                    Step::work('Wipe what is left with alcohol (not on polystyrene: soap and water there).', 15)->with(S::IsopropylAlcohol),
                    Step::wait('Let it dry.', 10)->clean(),
                    Step::work('Cut a sheet of foam that does not rot to the old measure and stick it in.', 15),
                ],
            ),
            new Means(
                id: 'solvent_weld', for: [D::BrokenPlastic], not: [F::Electronics], only: $plastics, care: [F::PaintToKeep], minutes: 120,
                reach: 'structure', risk: 3,
                steps: [
                    Step::work('Clean the broken faces; fit them dry and plan how to hold them.', 10),
                    Step::work('Mask what must stay whole: the solvent softens all it touches, paint too.', 5),
                    Step::work('Brush a little solvent on both faces, join, hold.', 10, self::FIRE)->with(S::Acetone),
                    Step::wait('Leave it clamped.', 90)->with(S::Acetone)->clean(),
                    Step::work('Take the clamps off, smooth the seam.', 10),
                ],
            ),
            new Means(
                id: 'glue_and_powder', for: [D::BrokenPlastic], not: [], only: $plastics, care: [F::Electronics, F::Moving], minutes: 30,
                reach: 'structure', risk: 2,
                steps: [
                    Step::work('Clean and roughen the faces.', 6),
                    Step::work(
                        'Lay powder into the gap, a drop of superglue on it, in thin layers.',
                        12,
                        'it sets hot and fumes: fresh air, eye cover, no fingers',
                    ),
                    Step::wait('Let it harden.', 5),
                    Step::work('File it to shape.', 7),
                ],
            ),
            new Means(
                id: 'mould_and_filler', for: [D::BrokenPlastic], not: [F::Electronics], only: $plastics, care: [F::PaintToKeep], minutes: 1440,
                reach: 'structure', risk: 2,
                steps: [
                    Step::work('Take a mould from a sound place with the same shape.', 30),
                    Step::work('Set the mould in front of the gap, sealed at its edges.', 15),
                    Step::work('Lay the fibre compound in from behind.', 20, self::AIR.'; its data sheet comes first'),
                    Step::wait('Let it cure.', 1300),
                    Step::work('Take the mould off, file, fill, paint where it was painted.', 60),
                ],
            ),
        ];
    }
}
