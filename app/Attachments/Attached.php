<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\View\Component;

/** `<x-attached of="customer" :id="…"/>`: the line that sums it up, and what is kept with it for who may read that. */
final class Attached extends Component
{
    public string $summary;

    /** @var Collection<int, Attachment> the newest first, without what they hold */
    public Collection $files;

    public bool $mayRead;

    public bool $mayKeep;

    /** @param  bool  $sums whether it has a line that sums it up; an item says its own */
    public function __construct(public string $of, public int $id, public bool $sums = true)
    {
        $person = auth()->user();
        $this->mayRead = $person?->can('see-attachments') === true;
        $this->mayKeep = $person?->can('attach') === true;
        $this->summary = $sums ? Summary::of($of, $id) : '';
        $this->files = $this->mayRead
            ? Attachment::query()
                ->with('staff')
                ->where('of', $of)
                ->where('of_id', $id)
                ->whereNull('removed_at')
                ->orderByDesc('id')
                ->get(Attachment::LISTED)
            : new Collection;
    }

    public function render(): View
    {
        return view('attachments.list');
    }
}
