<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/** What a machine says at its start of what it finds: ids, units, ports, or how much memory; of each the last word counts. */
final readonly class Reported implements EntryData, Settled
{
    public const KIND = 'reported';
    public const LINE = 'reports id: 0, 2, 7';
    private const MOST = 64;

    /** @param list<string> $seen of memory sizes one, in K */
    public function __construct(public Takes $takes, #[ListOf(new Text(20), most: self::MOST)] public array $seen)
    {
    }

    public function settled(Node $read): static
    {
        foreach ($read->at('seen')->items() as $i => $it) {
            $this->takes->holds($this->seen[$i]) || $it->refuse($this->takes->wants());
        }
        !$this->takes->adds() || count($this->seen) === 1 || $read->at('seen')->refuse('must be one figure: the memory counted, in K');
        Node::distinct($read->at('seen')->items());

        return $this;
    }

    /** "id: 0, 2, 7", "unit: none", "size: 512K". */
    public static function said(string $body, string $line): LineSaid
    {
        $takes = implode('|', array_column(Takes::cases(), 'value'));
        if (preg_match("/^({$takes})s?\\s*:\\s*(.+)$/isu", $body, $m) !== 1) {
            return LineSaid::observation($line);
        }
        $takes = Takes::from(strtolower($m[1]));
        $seen = preg_match('/^(none|nothing)$/iD', trim($m[2])) === 1 ? [] : (preg_split('/[\s,]+/', trim($m[2], " \t,")) ?: []);
        array_filter($seen, static fn (string $it): bool => !$takes->holds($it)) === [] || throw UnclearLine::write(self::LINE);

        return new LineSaid(self::KIND, '', (object) ['takes' => $takes->value, 'seen' => array_values(array_unique($seen))]);
    }

    public function sentence(string $text): string
    {
        return "The machine reports {$this->takes->words()}: ".($this->seen === [] ? 'none' : implode(', ', $this->seen));
    }
}
