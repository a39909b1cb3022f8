<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\Till;
use Illuminate\Contracts\Session\Session;

/** The till this browser stands at. */
final class AtTill
{
    private ?Till $till = null;

    public function __construct(private readonly Session $session)
    {
    }

    public function isChosen(): bool
    {
        return is_int($this->session->get('till'));
    }

    public function choose(Till $till): void
    {
        $this->session->put('till', $till->id);
    }

    public function till(): Till
    {
        $chosen = $this->session->get('till');

        if ($this->till?->id !== $chosen) {
            $this->till = null;
        }

        return $this->till ??= Till::query()->with('location')->whereKey($chosen)->firstOrFail();
    }
}
