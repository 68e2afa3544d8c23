<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What a hypothesis about a memory blames. */
enum SuspectKind: string
{
    case Chip = 'chip';
    case ChipPart = 'chip_part';
    case SeveralChips = 'several_chips';
    case DataLine = 'data_line';
    case DataBridge = 'data_bridge';
    case AddressLine = 'address_line';
    case AddressBridge = 'address_bridge';
    case DriveLine = 'drive_line';
    case Bank = 'bank';
    case Everything = 'everything';
}
