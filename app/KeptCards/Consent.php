<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

/** How somebody agreed that their card is kept. Common practice, no source. */
enum Consent: string
{
    case InPerson = 'in_person';
    case Telephone = 'telephone';
    case Paper = 'paper';

    public function words(): string
    {
        return match ($this) {
            self::InPerson => 'in person',
            self::Telephone => 'by telephone',
            self::Paper => 'on paper',
        };
    }
}
