<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Books\Chain\ProveChain;
use Elmstone\Books\Chain\ProveSignatures;
use Elmstone\Books\Chain\Seal;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Proof\ProveApprovals;
use Elmstone\Books\Proof\ProveLedgerDays;
use Elmstone\Books\Proof\RunProof;
use Elmstone\Support\Asked;
use Elmstone\Support\RoomProvider;

/** Documents, series, journals, their seals and their proof. */
final class BooksProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([AttachToDocument::class], 'attachables');
        $this->app->scoped(Books::class);
        $this->app->when(Books::class)->needs('$followers')->giveTagged('follows-sales');
        $this->app->scoped(Practice::class);
        $this->app->singleton(Asked::class);
        $this->app->singleton(Seal::class);
        $this->app->when(Prove::class)->needs('$others')->giveTagged('proofs');
        $this->app->when(FindDocuments::class)->needs('$others')->giveTagged('finds');
        $this->app->when(RunProof::class)->needs('$checks')->giveTagged('proofs');
        $this->app->tag(
            [ProveApprovals::class, ProveChain::class, ProveSignatures::class, ProveLedgerDays::class],
            'proofs',
        );
    }

    protected function ownCommands(): array
    {
        return [Console\ProveCommand::class, Console\KeepSealedCommand::class];
    }
}
