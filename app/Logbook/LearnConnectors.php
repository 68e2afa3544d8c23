<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;

/** Which way round a connector sits is worth knowing the next time: what the strip-down list says goes into the machine's profile. */
final readonly class LearnConnectors
{
    public static function from(Entry $entry, Job $job): void
    {
        $said = is_array($entry->data['connectors'] ?? null) ? $entry->data['connectors'] : [];
        if ($said === []) {
            return;
        }
        $machine = Machine::query()->findOrFail($job->machine_id);
        $document = Node::parse($machine->profile)->object();
        $known = [];
        foreach ([...(is_array($document->connectors ?? null) ? $document->connectors : []), ...$said] as $it) {
            $it = (object) $it;
            $known[mb_strtolower(is_string($it->name ?? null) ? $it->name : '')] = $it;
        }
        $connectors = array_values($known);
        if (json_encode($connectors) === json_encode($document->connectors ?? [])) {
            return;
        }
        $document->connectors = $connectors;
        SaveProfile::over($machine, json_encode($document, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)."\n", null, $entry->author);
    }
}
