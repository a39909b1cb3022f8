<p class="complaint" id="one-off-said" data-part role="alert">
@if($complaint->on('one-off')){{ $complaint->message() }}@endif</p>
