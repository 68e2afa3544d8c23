<?php

declare(strict_types=1);

namespace Ash\Tests\Capacitors;

use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorFound;
use Ash\Capacitors\Judged;
use Ash\Capacitors\Look;
use Ash\Capacitors\Measured;
use Ash\Capacitors\Part;
use Ash\Capacitors\PartVerdict;
use Ash\Capacitors\ReadingsOfVisit;
use Ash\Capacitors\Taken;
use Ash\Document\Node;
use Ash\Facts\CapacitorKind;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Several readings of one part. What counts when they differ is common practice, no source; each reading by itself is JudgeTest's. */
final class StandingTest extends TestCase
{
    private static function part(): Part
    {
        return Part::read(Node::of((object) ['kind' => 'aluminium', 'marked_f' => 100e-6, 'rated_v' => 25.0]));
    }

    /** @param list<Look> $looks */
    private static function taken(
        bool $inCircuit,
        ?float $farad = null,
        ?float $ohm = null,
        ?float $tan = null,
        ?float $hertz = null,
        ?float $leak = null,
        array $looks = [],
    ): Taken {
        return new Taken(new Measured($farad, $ohm, $tan, $hertz, $leak), $inCircuit, $looks);
    }

    private static function stands(Taken ...$readings): ReadingsOfVisit
    {
        $readings = array_values($readings);
        self::assertNotSame([], $readings);

        return ReadingsOfVisit::of(self::part(), $readings, 12.0);
    }

    public function test_a_good_capacitance_does_not_take_back_a_bad_esr(): void
    {
        $it = self::stands(self::taken(false, ohm: 9.0), self::taken(false, farad: 101e-6));
        self::assertSame([PartVerdict::Replace, true], [$it->verdict, $it->proven]);
        self::assertStringContainsString('ESR 9 Ω: above', implode('; ', $it->reasons));
        self::assertEqualsWithDelta(101e-6, $it->counts['capacitance']->capacitanceF, 1e-12);
        // Tan delta at 120 Hz says nothing of an ESR that was read at high frequency.
        self::assertSame(PartVerdict::Replace, self::stands(self::taken(false, ohm: 9.0), self::taken(false, farad: 101e-6, tan: 0.05, hertz: 120.0))->verdict);
        self::assertSame(
            PartVerdict::Keep,
            self::stands(self::taken(false, ohm: 9.0), self::taken(false, ohm: 0.2))->verdict,
            'the same quantity read again counts',
        );
    }

    public function test_two_halves_of_a_proof_make_one(): void
    {
        self::assertFalse(self::stands(self::taken(false, farad: 101e-6))->proven);
        self::assertTrue(self::stands(self::taken(false, farad: 101e-6), self::taken(false, ohm: 0.2))->proven);
        self::assertFalse(self::stands(self::taken(false, farad: 101e-6), self::taken(true, ohm: 0.2))->proven, 'in circuit proves nothing');
        self::assertTrue(self::stands(self::taken(true, farad: 101e-6), self::taken(false, farad: 101e-6, tan: 0.05, hertz: 120.0))->proven);
    }

    public function test_lifted_counts_before_in_circuit_and_in_circuit_may_still_condemn_later(): void
    {
        $low = self::taken(true, farad: 40e-6);
        $sound = self::taken(false, farad: 98e-6, ohm: 0.2);
        self::assertSame(PartVerdict::Replace, self::stands($low)->verdict);
        self::assertSame([PartVerdict::Keep, true], [self::stands($low, $sound)->verdict, self::stands($low, $sound)->proven]);
        $again = self::stands($sound, $low);
        self::assertSame(PartVerdict::Replace, $again->verdict);
        self::assertStringContainsString('in circuit: 40 µF of 100 µF: below', implode('; ', $again->reasons));
        // More than its tolerance in circuit is the neighbours' doing: a lifted reading has settled it.
        self::assertSame(PartVerdict::Keep, self::stands($sound, self::taken(true, farad: 180e-6))->verdict);
        self::assertSame(PartVerdict::Watch, self::stands(self::taken(true, farad: 180e-6))->verdict);
    }

    public function test_what_the_eye_saw_stays_seen(): void
    {
        $it = self::stands(
            self::taken(true, looks: [Look::Bulged]),
            self::taken(false, farad: 100e-6, ohm: 0.1),
            self::taken(false, farad: 100e-6, looks: [Look::Bulged]),
        );
        self::assertSame(PartVerdict::Replace, $it->verdict);
        self::assertCount(1, array_keys($it->reasons, 'bulged', true));
    }

    public function test_a_leakage_by_itself_stands_beside_the_rest(): void
    {
        $it = self::stands(self::taken(false, farad: 100e-6, ohm: 0.1), self::taken(false, leak: 251e-6));
        self::assertSame(PartVerdict::Replace, $it->verdict, '0.01 C V is 25 uA, and it was not reformed');
        self::assertSame(PartVerdict::Keep, self::stands(self::taken(false, farad: 100e-6, ohm: 0.1), self::taken(false, leak: 20e-6))->verdict);
    }

    /** One reading says together what it says by itself, wherever it was taken. */
    public function test_one_reading_stands_as_it_is_judged(): void
    {
        mt_srand(20261125);
        $maybe = static fn (float $low, float $high): ?float => mt_rand(0, 2) === 0 ? null : $low + ($high - $low) * mt_rand() / mt_getrandmax();
        for ($i = 0; $i < 500; ++$i) {
            $reading = self::taken(
                mt_rand(0, 1) === 1,
                $maybe(60e-6, 150e-6),
                $maybe(0, 6),
                $maybe(0, 0.5),
                [null, 120.0, 1e5][mt_rand(0, 2)],
                $maybe(0, 60e-6),
                mt_rand(0, 3) === 0 ? [Look::cases()[mt_rand(0, 7)]] : [],
            );
            $railV = [null, 12.0, 30.0][mt_rand(0, 2)];
            $alone = Judged::of(self::part(), $reading->measured, $reading->inCircuit, $reading->looks, $railV);
            $stands = ReadingsOfVisit::of(self::part(), [$reading], $railV);
            self::assertSame([$alone->verdict, $alone->proven], [$stands->verdict, $stands->proven]);
            self::assertEqualsCanonicalizing($alone->reasons, $stands->reasons);
        }
    }

    /** More readings of other quantities never make a verdict milder. */
    public function test_another_quantity_never_makes_it_milder(): void
    {
        $rank = ['keep' => 0, 'watch' => 1, 'replace' => 2];
        mt_srand(7);
        for ($i = 0; $i < 300; ++$i) {
            $inCircuit = mt_rand(0, 1) === 1;
            $first = self::taken($inCircuit, farad: (60 + mt_rand(0, 90)) * 1e-6);
            $second = self::taken(mt_rand(0, 1) === 1, ohm: mt_rand(0, 600) / 100);
            self::assertGreaterThanOrEqual($rank[self::stands($first)->verdict->value], $rank[self::stands($first, $second)->verdict->value]);
        }
    }

    /** @param array{kind: string, marked_f: float, rated_v: float}|null $fitted */
    #[TestWith(['150u 35V', ['kind' => 'aluminium', 'marked_f' => 150e-6, 'rated_v' => 35.0]])]
    #[TestWith(['150/35', ['kind' => 'aluminium', 'marked_f' => 150e-6, 'rated_v' => 35.0]])]
    #[TestWith(['150u', null], 'no voltage')]
    #[TestWith(['a new one', null], 'no marking')]
    public function test_a_new_part_is_what_its_marking_says_where_that_is_clear(string $to, ?array $fitted): void
    {
        $at = BoardCapacitor::of(new CapacitorFound(ref: 'C1', kind: CapacitorKind::Aluminium, markedF: 100e-6, ratedV: 25.0));
        $read = $at->fittedBy($to);
        self::assertSame($fitted === null, $read === null);
        $now = $at->replacedBy($read);
        self::assertTrue($now->replaced);
        self::assertEqualsWithDelta($fitted['marked_f'] ?? 100e-6, $now->part?->markedF, 1e-12);
        self::assertEqualsWithDelta(100e-6, $now->original?->markedF, 1e-12);
        self::assertEqualsWithDelta(100e-6, $now->wanted(12.0)?->part->markedF, 1e-12, 'the next substitute is chosen for the original');
    }
}
