<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Shaped;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/** A SCSI chain of a job in cable order, as it hangs there; the last word on it counts. */
final readonly class ChainSaid implements EntryData, Settled
{
    public const KIND = 'chain';
    public const LINE = 'chain host 7 terminated, disc 1 0, scanner 3 terminated';
    private const MOST = 16;

    /** @param list<ScsiPlace> $chain */
    public function __construct(
        #[Shaped(ScsiBus::class)] public ScsiBus $bus,
        #[ListOf(new Shaped(ScsiPlace::class), most: self::MOST)] public array $chain,
    ) {
    }

    public function settled(Node $read): static
    {
        Scsi::read($read);

        return $this;
    }

    /** "host 7 terminated, disc 1 0, scanner 3 terminated", in cable order; the host is the one called so, or else the first. */
    public static function said(string $body, string $line): LineSaid
    {
        if (!str_contains($body, ',')) {
            return LineSaid::observation($line);
        }
        $places = $hosts = [];
        foreach (preg_split('/\s*,\s*/', trim($body, " \t,")) ?: [] as $i => $said) {
            if (preg_match('/^(.{1,120}?)\s+(?:id\s*)?(\d{1,3})((?:\s+(?:t|term(?:inated)?|boot|host))*)$/isu', $said, $m) !== 1) {
                throw UnclearLine::write(self::LINE);
            }
            $marks = preg_split('/\s+/', mb_strtolower(trim($m[3]))) ?: [];
            $places[] = ['name' => trim($m[1]), 'id' => (int) $m[2], 'terminated' => array_intersect($marks, ['t', 'term', 'terminated']) !== []]
                + (in_array('boot', $marks, true) ? ['boot' => true] : []);
            in_array('host', $marks, true) || preg_match('/\bhost\b/iu', $m[1]) === 1 ? $hosts[] = $i : null;
        }
        foreach ($hosts === [] ? [0] : $hosts as $i) {
            $places[$i]['host'] = true;
        }

        return new LineSaid(self::KIND, '', (object) ['bus' => new \stdClass(), 'chain' => array_map(static fn (array $it): object => (object) $it, $places)]);
    }

    public function scsi(): Scsi
    {
        return Scsi::read(Node::of((object) Shape::of(self::class)->write($this)));
    }

    /** The chain after the changes that clear what can be cleared. */
    public function mended(): self
    {
        $new = [];
        foreach ($this->scsi()->changes() as $it) {
            $new[$it['name']][$it['what'] === 'id' ? 'id' : 'terminated'] = $it['to'];
        }

        return new self(
            $this->bus,
            array_map(static fn (ScsiPlace $it): ScsiPlace => Shape::of(ScsiPlace::class)->with($it, $new[$it->name] ?? []), $this->chain),
        );
    }

    /** @return list<string> */
    public function moves(): array
    {
        return array_map(static fn (array $it): string => $it['what'] === 'id'
            ? "set {$it['name']} to id {$it['to']} (it stands on {$it['from']})"
            : ($it['to'] === true ? "terminate {$it['name']}" : "take the terminators off {$it['name']}"), $this->scsi()->changes());
    }

    public function sentence(string $text): string
    {
        return 'SCSI chain: '.implode(', ', array_map(static fn (ScsiPlace $it): string => $it->words(), $this->chain));
    }
}
