<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Support\RoomProvider;

/** What is promised: goods at agreed prices, set aside, paid on. */
final class AgreementsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([AgreementData::class], 'personal-data');
        $this->app->tag([ProveAgreements::class], 'proofs');
        $this->app->tag([AgreementTrace::class], 'traces');
        $this->app->tag([MergeAgreements::class], 'merges');
    }
}
