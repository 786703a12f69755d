;; The inner loop of a transient, as core/hammer/loop.ts says it in words: the two give the same figures to the last digit, a test holds them to it.
;; Assembled into kernel.table.ts by `npm run tables`. Arrays are addresses in bytes; `n` counts reaches.
(module
  (import "m" "memory" (memory 1))

  ;; Moves both waves on by a step; marks the pressure at the inner nodes. Returns twice the lowest there.
  (func (export "advance")
    (param $n i32) (param $right i32) (param $left i32) (param $nextRight i32) (param $nextLeft i32)
    (param $resist i32) (param $high i32) (param $low i32) (result f64)
    (local $least f64) (local $r0 f64) (local $r1 f64) (local $l1 f64) (local $f f64)
    (local $arrives f64) (local $here f64) (local $back f64) (local $twice f64)
    (local $at i32) (local $end i32)
    (local.set $least (f64.const inf))
    (local.set $r0 (f64.load (local.get $right)))
    (local.set $r1 (f64.load offset=8 (local.get $right)))
    (local.set $l1 (f64.load offset=8 (local.get $left)))
    (local.set $f
      (f64.mul (f64.load (local.get $resist))
        (f64.sub (f64.add (f64.sub (local.get $r0) (f64.load (local.get $left))) (local.get $r1)) (local.get $l1))))
    (f64.store (local.get $nextLeft) (f64.add (local.get $l1) (local.get $f)))
    (local.set $at (i32.const 8))
    (local.set $end (i32.shl (local.get $n) (i32.const 3)))
    (block $done
      (br_if $done (i32.ge_s (local.get $at) (local.get $end)))
      (loop $nodes
        (local.set $arrives (f64.sub (local.get $r0) (local.get $f)))
        (local.set $here (f64.sub (local.get $r1) (local.get $l1)))
        (local.set $r0 (local.get $r1))
        (local.set $r1 (f64.load offset=8 (i32.add (local.get $right) (local.get $at))))
        (local.set $l1 (f64.load offset=8 (i32.add (local.get $left) (local.get $at))))
        (local.set $f
          (f64.mul (f64.load (i32.add (local.get $resist) (local.get $at)))
            (f64.sub (f64.add (local.get $here) (local.get $r1)) (local.get $l1))))
        (local.set $back (f64.add (local.get $l1) (local.get $f)))
        (f64.store (i32.add (local.get $nextRight) (local.get $at)) (local.get $arrives))
        (f64.store (i32.add (local.get $nextLeft) (local.get $at)) (local.get $back))
        (local.set $twice (f64.add (local.get $arrives) (local.get $back)))
        (if (f64.gt (local.get $twice) (f64.load (i32.add (local.get $high) (local.get $at))))
          (then (f64.store (i32.add (local.get $high) (local.get $at)) (local.get $twice))))
        (if (f64.lt (local.get $twice) (f64.load (i32.add (local.get $low) (local.get $at))))
          (then (f64.store (i32.add (local.get $low) (local.get $at)) (local.get $twice))))
        (if (f64.lt (local.get $twice) (local.get $least))
          (then (local.set $least (local.get $twice))))
        (local.set $at (i32.add (local.get $at) (i32.const 8)))
        (br_if $nodes (i32.lt_s (local.get $at) (local.get $end)))))
    (f64.store (i32.add (local.get $nextRight) (local.get $end)) (f64.sub (local.get $r0) (local.get $f)))
    (local.get $least))

  ;; Friction of every reach by its flow of now, looked up in a table of `last` + 2 even steps.
  (func (export "renew")
    (param $n i32) (param $right i32) (param $left i32) (param $resist i32) (param $friction i32)
    (param $perPa f64) (param $least f64) (param $last i32)
    (local $at i32) (local $end i32) (local $x f64) (local $k i32) (local $f f64)
    (local.set $end (i32.shl (local.get $n) (i32.const 3)))
    (loop $reaches
      (local.set $x
        (f64.max (local.get $least)
          (f64.mul (local.get $perPa)
            (f64.abs
              (f64.sub
                (f64.add
                  (f64.sub (f64.load (i32.add (local.get $right) (local.get $at))) (f64.load (i32.add (local.get $left) (local.get $at))))
                  (f64.load offset=8 (i32.add (local.get $right) (local.get $at))))
                (f64.load offset=8 (i32.add (local.get $left) (local.get $at))))))))
      (local.set $k (i32.trunc_sat_f64_s (f64.min (local.get $x) (f64.convert_i32_s (local.get $last)))))
      (local.set $f (f64.load (i32.add (local.get $friction) (i32.shl (local.get $k) (i32.const 3)))))
      (f64.store (i32.add (local.get $resist) (local.get $at))
        (f64.div
          (f64.mul
            (f64.add (local.get $f)
              (f64.mul (f64.sub (local.get $x) (f64.convert_i32_s (local.get $k)))
                (f64.sub (f64.load offset=8 (i32.add (local.get $friction) (i32.shl (local.get $k) (i32.const 3)))) (local.get $f))))
            (local.get $perPa))
          (local.get $x)))
      (local.set $at (i32.add (local.get $at) (i32.const 8)))
      (br_if $reaches (i32.lt_s (local.get $at) (local.get $end))))))
