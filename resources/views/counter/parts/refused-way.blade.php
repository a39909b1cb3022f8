{{-- That a way is not taken from the customer, and why, before it is typed; and then who may allow it. --}}
@if($refusedWays->why($kind) !== null)
    @if($reckoned->needs->isAsked("way.{$kind->value}"))
        @include('counter.parts.needs', ['place' => "way.{$kind->value}", 'quiet' => false])
    @else<p class="under ochre mb-0">{{ $refusedWays->words($kind) }}</p>@endif
@endif
