<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Staff\Ability;

/** What most reports have alike: they say what they are, may be set beside another period, and are of a time. */
abstract class OneReport implements Definition
{
    protected const KEY = '';

    protected const TITLE = '';

    protected const QUESTION = '';

    protected const GROUP = 'Sales';

    protected const ABILITY = Ability::SeeDay;

    /** @var array<string, string> */
    protected const BY = [];

    /** @var list<Filter> */
    protected const FILTERS = [];

    protected const COMPARES = true;

    protected const AS_OF = false;

    public function key(): string
    {
        return static::KEY;
    }

    public function title(): string
    {
        return static::TITLE;
    }

    public function question(): string
    {
        return static::QUESTION;
    }

    public function group(): string
    {
        return static::GROUP;
    }

    public function ability(): Ability
    {
        return static::ABILITY;
    }

    public function by(): array
    {
        return static::BY;
    }

    public function filters(): array
    {
        return static::FILTERS;
    }

    public function compares(): bool
    {
        return static::COMPARES;
    }

    public function isAsOf(): bool
    {
        return static::AS_OF;
    }
}
