<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

/** What kinds of agreement there are: each is numbered by its own letters. */
enum AgreementKind: string
{
    case Layaway = 'layaway';
    case Order = 'order';
    case Quote = 'quote';

    /** "LAY-000012" */
    public function label(int $id): string
    {
        return sprintf('%s-%06d', match ($this) {
            self::Layaway => 'LAY',
            self::Order => 'ORD',
            self::Quote => 'QUO',
        }, $id);
    }
}
