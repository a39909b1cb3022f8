@use('Elmstone\Support\Show')
<nav class="tabs" id="tabs" data-part aria-label="Open slips">
    <div>
    @php($at = $tabs->values()->search(fn ($tab) => $tab->key === $slip->key))
    @php($folded = $tabs->values()->filter(fn ($tab, $place) => $tab->key !== $slip->key
        && $place < $tabs->count() - 5)->keyBy('id'))
    @foreach($tabs as $tab)
        @continue($folded->has($tab->id))
        <a class="tab" href="{{ route('counter.show', $tab->key) }}" @if($tab->key === $slip->key) aria-current="page"
            @endif @if($loop->index === ($at === false ? 0 : ($at + 1) % $loop->count)) data-next-tab @endif>
            <span class="what" @if($tab->note !== '') title="{{ $tab->note }}" @endif>{{ $tab->note === '' ? '' : '✎ '
                }}{{ $tab->customer_name ?: ($tab->title ?: 'Walk-in') }}</span>
            <span class="sum">{{ $tab->total }}</span>
            @if($tab->key !== $slip->key)<span class="small">{{ Show::waited($tab->updated_at) }}</span>@endif
        </a>
    @endforeach
    @if($at === false)
        <span class="tab" aria-current="page"><span
            class="what">{{ $slip->isPosted() ? $slip->document->label ?? $slip->order->label
                ?? $slip->quote->label ?? 'promised'
                : ($slip->customer_name ?: 'Walk-in') }}</span><span
                    class="sum">{{ $slip->total }}</span></span>
    @endif
    </div>
    @if($folded->isNotEmpty())
        <div class="drop" x-data="drop" @keydown.escape="hideAndReturn" @click.outside="hide">
            <button class="beside" type="button" id="folded-open" x-ref="opener" @click="flip"
                :aria-expanded="shown">{{ $folded->count() }} more <kbd>Alt S</kbd></button>
            <div class="drop-panel slips-folded" x-ref="panel" x-show="shown" x-cloak><div x-data="narrows">
                <input class="form-control mb-1" id="folded-find" aria-label="Find a slip" autocomplete="off"
                    placeholder="customer, thing or sum" @input="narrow" @keydown.enter.prevent="first">
                @foreach($folded->reverse() as $tab)
                    <a class="d-flex gap-2" href="{{ route('counter.show', $tab->key) }}"><span
                        class="flex-fill">{{ $tab->customer_name ?: 'Walk-in' }}
                            <span class="soft">{{ $tab->customer_name === $tab->title ? ''
                                : $tab->title }}</span>@if($tab->note !== '')<br>
                            <span class="small">“{{ $tab->note }}”</span>@endif</span>
                        <span class="figure">{{ $tab->total }}</span><span
                            class="small soft">{{ Show::waited($tab->updated_at) }}</span></a>
                @endforeach
            </div></div>
        </div>
    @endif
    <a class="beside" href="{{ route('counter.new') }}">New slip <kbd>Alt N</kbd></a>
    @if($elsewhere->isNotEmpty())
        <div class="drop" x-data="drop" @keydown.escape="hideAndReturn" @click.outside="hide">
            <button class="beside" type="button" id="elsewhere-open" x-ref="opener" @click="flip"
                :aria-expanded="shown">{{ $elsewhere->count() }} at other tills <kbd>Alt P</kbd></button>
            <div class="drop-panel" x-ref="panel" x-show="shown" x-cloak>
                @foreach($elsewhere as $other)
                    <form method="post" action="{{ route('counter.pick-up', $other->key) }}"
                        class="d-flex align-items-center gap-2 mb-1">
                        @csrf
                        <span class="flex-fill small">{{ $other->customer_name ?: "Walk-in · {$other->title}" }}<br>
                        @if($other->note !== '')“{{ $other->note }}”<br>@endif
                        <span class="soft">{{ $other->till->name }},
                            {{ Show::waited($other->updated_at) }}</span></span>
                        <span class="figure">{{ $other->total }}</span>
                        <button class="quiet-act">Pick up</button>
                    </form>
                @endforeach
            </div>
        </div>
    @endif
</nav>
