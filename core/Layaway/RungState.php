<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

/** Where one instalment stands. */
enum RungState: string
{
    case Met = 'met';
    case Missed = 'missed';
    case Next = 'next';
    case Later = 'later';
}
