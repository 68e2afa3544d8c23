<?php

declare(strict_types=1);

namespace Ash\Tests\Trial;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\LeadingWord;
use Ash\Logbook\LineSaid;
use Ash\Logbook\OpenKind;
use Ash\Logbook\Room;
use Ash\Logbook\Situation;
use Ash\Logbook\Step;
use Ash\Logbook\Suspect;
use Ash\Logbook\Urgency;
use Ash\Logbook\Weight;

/** A room that exists in the tests only. That it plugs in shows that the house needs no change for a new one. */
final readonly class TrialRoom extends Room
{
    public function name(): string
    {
        return 'trial';
    }

    public function kinds(): array
    {
        return [new EntryKind(Sniffed::KIND, 'smell', Sniffed::class, weight: Weight::Evidence, attack: 'trial', saidAnew: ['of' => 'Of what'])];
    }

    public function openKinds(): array
    {
        return [new OpenKind('air', 'To air')];
    }

    public function lines(): array
    {
        return [new LeadingWord(
            ['smells'],
            static fn (string $body, string $line): LineSaid => new LineSaid(
                Sniffed::KIND,
                $line,
                (object) ['of' => (string) preg_replace('/^of /', '', $body)],
            ),
            ['smells' => 'smells of fish'],
        )];
    }

    public function findings(Situation $at): Findings
    {
        $smell = $at->facts->last(Smell::class);

        return $smell === null ? new Findings() : new Findings(
            known: ["It smells of {$smell->of}"],
            suspects: [new Suspect('a part that overheats', "it smells of {$smell->of}")],
            steps: [new Step('Air the board.', 'nobody can work in that', 'trial', Urgency::First)],
        );
    }

    public function verbs(): array
    {
        return ['air' => new Verb(
            'minutes of airing',
            "strength 1 to 5\ngives minutes",
            '{"strength": 2}',
            static fn (Node $node): array => ['minutes' => 10 * $node->only('strength')->at('strength')->integer(1, 5)],
        )];
    }
}
