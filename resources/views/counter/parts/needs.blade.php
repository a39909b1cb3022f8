{{-- What at one place takes somebody else's approval: why, and the field for it; or that it is allowed. --}}
@php($open = $reckoned->needs->open($place))
@if($open !== [])
    @foreach($open as $need)<p class="complaint">{{ $need->refused->getMessage() }}</p>@endforeach
    @if($reckoned->needs->dropped($place) !== '')<p class="under ochre mb-0">{{ $reckoned->needs->dropped($place) }}</p>
    @endif
    @include('counter.parts.approve',
        ['action' => route('counter.approve', $slip->key), 'held' => ['place' => $place],
            'id' => 'a-'.str_replace('.', '-', $place), 'quiet' => $quiet ?? true])
    @if($complaint->on("approve.{$place}"))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
@else
    @foreach($reckoned->needs->allowed($place) as $approval)
    <p class="under allowed mb-0">✓ {{ $approval->detail }}: approved by {{ $approval->approver->name }}</p>@endforeach
@endif
