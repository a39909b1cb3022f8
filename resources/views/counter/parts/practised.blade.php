<div class="note look mt-3" role="status"><p><strong>Training: nothing was posted.</strong></p></div>
@if($reckoned->settlement?->change->isPositive())
    <div class="change"><span>Change to hand over</span><span class="sum"
        id="change">{{ $reckoned->settlement->change }}</span></div>
@endif
<div class="foot">
<a class="main-act" href="{{ route('counter.new') }}" data-focus
    id="next-customer"><span>Next customer</span><kbd>Enter</kbd></a></div>
