@use('Elmstone\Support\Show')
@forelse($calls as $call)
    @php($broken = $call->isBroken())
    <div class="note {{ $broken ? 'stop' : '' }}"><p>{{ $call->note }}
        @if($call->promised_on !== null)<br>
        <strong>{{ $broken ? 'Broken promise:' : 'Promised' }} {{ $call->promised === null ? ''
            : Show::money($call->promised) }} by {{ Show::date($call->promised_on) }}</strong>@endif
        @if($call->call_again_on !== null)<br>call again on {{ Show::date($call->call_again_on) }}@endif
        <br><span class="small soft">{{ $call->staff->name }}, {{ Show::date($call->called_on) }}{{
            $call->spoke_to === '' ? '' : ", spoke to {$call->spoke_to}" }}</span></p></div>
@empty
    <p class="soft small">No call yet.</p>
@endforelse
