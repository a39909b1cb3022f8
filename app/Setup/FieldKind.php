<?php

declare(strict_types=1);

namespace Elmstone\Setup;

/** What is typed into a field of a setting. */
enum FieldKind: string
{
    case Text = 'text';
    case Long = 'long';
    case Number = 'number';
    case Money = 'money';
    case Percent = 'percent';
    case Tick = 'tick';
    case Choice = 'choice';
    case Notes = 'notes';
    case Secret = 'secret';
}
