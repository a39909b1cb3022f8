<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\Settings;
use Elmstone\Shop\Till;
use Illuminate\Contracts\Session\Session;

/** The till this browser stands at. */
final class AtTill
{
    public function __construct(private readonly Session $session, private readonly Settings $settings)
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

    /** Nobody stands at one. */
    public function leave(): void
    {
        $this->session->forget('till');
    }

    public function till(): Till
    {
        $chosen = $this->session->get('till');

        return $this->settings->till(is_int($chosen) ? $chosen : 0);
    }
}
